import type { CreditKind, CreditRow } from '../model/credits';
import { MOST_CREDIT_ROWS } from '../model/credits';

type Rows = readonly CreditRow[];

/** A new row of a kind, with nothing in it. */
export function newCreditRow(id: string, kind: CreditKind): CreditRow {
  switch (kind) {
    case 'role':
      return { id, kind, role: '', name: '' };
    case 'heading':
    case 'name':
    case 'paragraph':
      return { id, kind, name: '' };
    case 'pictures':
      return { id, kind, assets: [] };
    case 'gap':
      return { id, kind, lines: 1 };
    case 'beside':
      return { id, kind, asset: '', side: 'right', atSeconds: null, forSeconds: null };
  }
}

/** A row as another kind: its words stay where the kind has a place for them. */
export function asKind(row: CreditRow, kind: CreditKind): CreditRow {
  if (row.kind === kind) return row;
  const fresh = newCreditRow(row.id, kind);
  const { role, name } = wordsOf(row);
  if (fresh.kind === 'role') return { ...fresh, role, name };
  if ('name' in fresh) return { ...fresh, name: [role, name].filter(Boolean).join(' ') };
  const [asset] = row.kind === 'pictures' ? row.assets : row.kind === 'beside' ? [row.asset] : [];
  if (asset === undefined) return fresh;
  if (fresh.kind === 'pictures') return { ...fresh, assets: [asset] };
  return fresh.kind === 'beside' ? { ...fresh, asset } : fresh;
}

/** The words of a row's cells; empty for cells that it does not have. */
export function wordsOf(row: CreditRow): { readonly role: string; readonly name: string } {
  return { role: row.kind === 'role' ? row.role : '', name: 'name' in row ? row.name : '' };
}

/** Rows put in after one (at the end with null), as many as there is room for. */
export function insertRows(rows: Rows, afterId: string | null, added: Rows): Rows {
  const at = afterId === null ? -1 : rows.findIndex(({ id }) => id === afterId);
  const room = Math.max(0, MOST_CREDIT_ROWS - rows.length);
  const kept = added.slice(0, room);
  return kept.length === 0 ? rows : rows.toSpliced(at < 0 ? rows.length : at + 1, 0, ...kept);
}

/** Rows with one of them changed. */
export function changeRow(rows: Rows, id: string, change: (row: CreditRow) => CreditRow): Rows {
  const at = rows.findIndex((row) => row.id === id);
  if (at < 0) return rows;
  const next = change(rows[at]);
  return next === rows[at] ? rows : rows.with(at, next);
}

/** Rows without some; the names that went on with a role that is taken out get that role back. */
export function removeRows(rows: Rows, ids: ReadonlySet<string>): Rows {
  let lost = '';
  const kept: CreditRow[] = [];
  for (const row of rows) {
    const isRole = row.kind === 'role';
    if (ids.has(row.id)) {
      // Of a role that goes whole nothing is left to get it.
      if (isRole && row.role !== '') lost = row.role;
      else if (!isRole) lost = '';
      continue;
    }
    if (!isRole || row.role !== '') lost = '';
    kept.push(isRole && row.role === '' && lost !== '' ? { ...row, role: lost } : row);
    lost = '';
  }
  return kept.length === rows.length ? rows : kept;
}

/** Rows with some moved, in their order, to before another one (to the end with null). */
export function moveRows(rows: Rows, ids: ReadonlySet<string>, beforeId: string | null): Rows {
  if (beforeId !== null && ids.has(beforeId)) return rows;
  const moved = rows.filter(({ id }) => ids.has(id));
  const rest = rows.filter(({ id }) => !ids.has(id));
  const at = beforeId === null ? rest.length : rest.findIndex(({ id }) => id === beforeId);
  const next = rest.toSpliced(at < 0 ? rest.length : at, 0, ...moved);
  return next.every((row, i) => row === rows[i]) ? rows : next;
}

/** Rows with some moved one place up or down; at the end they stay. */
export function stepRows(rows: Rows, ids: ReadonlySet<string>, by: -1 | 1): Rows {
  const at = rows.flatMap(({ id }, i) => (ids.has(id) ? [i] : []));
  if (at.length === 0) return rows;
  const [first, last] = [at[0], at[at.length - 1]];
  if (by < 0) return first === 0 ? rows : moveRows(rows, ids, rows[first - 1].id);
  return last === rows.length - 1 ? rows : moveRows(rows, ids, rows[last + 2]?.id ?? null);
}
