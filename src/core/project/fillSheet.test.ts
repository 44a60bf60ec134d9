import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { placeCorner, tidelineStrap } from '../../../demo/templates';
import type { Title } from '../model/project';
import { newPictureLayer } from '../model/newLayers';
import { newTitle, parseTitle } from '../model/project';
import type { Template } from '../model/template';
import { readSheet, writeCsv } from '../formats/csv/csv';
import { clockOf } from '../time/clock';
import { RATES } from '../time/rates';
import { designValue } from '../resolve/fieldValue';
import { designFrames } from '../titleTime/stretch';
import { exampleSheet } from './exampleSheet';
import { cueSheetRows } from './exportSheet';
import type { FilledRow, FillContext } from './fillSheet';
import { fillRows } from './fillSheet';
import { pictureNames } from './pictureNames';
import { titleDifferences } from './titleDiff';
import { guessRoles, likelyTemplate, unusedColumns } from './sheetColumns';

const rate = RATES.get('25');
const STRAP = { editionId: 'strap', document: tidelineStrap };
const CORNER = { editionId: 'corner', document: placeCorner };
const templateOf = (id: string): Template | undefined => ({ strap: tidelineStrap, corner: placeCorner })[id];
const LABELS = [...tidelineStrap.fields, ...placeCorner.fields].map(({ label }) => label);
const rolesOf = (text: string) =>
  guessRoles(readSheet(text), tidelineStrap, LABELS).map((role) =>
    'label' in role ? role.label : role.kind,
  );
const fill = (
  text: string,
  existing: readonly Title[] = [],
  roles = guessRoles(readSheet(text), tidelineStrap, LABELS),
  more: Partial<FillContext> = {},
): FilledRow[] => {
  let made = 0;
  return fillRows(readSheet(text), roles, {
    clock: clockOf(rate),
    templates: [STRAP, CORNER],
    fallback: STRAP,
    fromFrame: 500,
    existing,
    templateOf,
    templateIdOf: (id) => id,
    ...more,
    newId: () => `n${++made}`,
  });
};

describe('what columns are', () => {
  test.each([
    ['In,Lasts,Name,Role', ['in', 'lasts', 'Name', 'Role']],
    ['TC in,TC Out,Person,Job,Graphic', ['in', 'out', 'Name', 'Role', 'template']],
    ['Start,Duration,NAME,Notes', ['in', 'lasts', 'Name', 'nothing']],
    ['Kept: Motto,Title id', ['Motto', 'title']],
    ['TC In,Dur,Graphic,Person,Job title', ['in', 'lasts', 'template', 'Name', 'Role']],
    ['Timecode In,Timecode Out,Full name', ['in', 'out', 'Name']],
    ['Start (s),Duration (s),Name', ['in', 'lasts', 'Name']],
    ['In point,Out point,Guest,Occupation', ['in', 'out', 'Name', 'Role']],
    // Of two columns with one meaning the first has it.
    ['Person,Full name,In,Start', ['Name', 'nothing', 'in', 'nothing']],
  ])('%s', (headers, roles) => {
    expect(rolesOf(`${headers}\n,,,`)).toEqual(roles);
  });

  test('is guessed from the cells where no name says it', () => {
    expect(rolesOf('A,B,C\n00:00:10:00,Ilse,Judge\n00:01:00:00,Teo,Sailmaker')).toEqual([
      'in',
      'Name',
      'Role',
    ]);
  });
});

test('a sheet is for the template that its rows name, else for the one that its columns are called after', () => {
  const likely = (text: string): string | undefined =>
    likelyTemplate(readSheet(text), [CORNER, STRAP])?.editionId;
  expect(likely('Full name,Job title\nIlse,Judge')).toBe('strap');
  expect(likely('Where,When\nWeir,noon')).toBe('corner');
  expect(likely('Graphic,Where,When\nTideline strap,a,b\nTideline strap,a,b\nPlace corner,a,b')).toBe(
    'strap',
  );
  expect(likely('A,B\n1,2')).toBe('corner');
  expect(likelyTemplate(readSheet('A\n1'), [])).toBeNull();
});

describe('rows of other people’s sheets', () => {
  test('come in right without a click', () => {
    const rows = fill('TC In,Dur,Graphic,Person,Job title\n00:00:10:00,4s,Tideline strap,Ilse,Judge');
    expect(rows[0].problems).toEqual([]);
    expect(rows[0].title).toMatchObject({
      startFrame: 250,
      lengthFrames: 100,
      values: { name: 'Ilse', role: 'Judge' },
    });
  });

  test('have figures in the unit that their column says', () => {
    const [row, other] = fill('Start (s),Duration (s),Full name\n12.5,4,Ilse\n"20,2",00:00:03:00,Teo');
    expect(row.title).toMatchObject({ startFrame: 313, lengthFrames: 100, values: { name: 'Ilse' } });
    expect(other.title).toMatchObject({ startFrame: 505, lengthFrames: 75 });
  });

  test('and what of them is not used is told, with what it holds', () => {
    const sheet = readSheet('In,Name,Notes,Empty\n1s,Ilse,loud,\n2s,Teo,,');
    const roles = guessRoles(sheet, tidelineStrap, LABELS);
    expect(unusedColumns(sheet, roles)).toEqual([{ header: 'Notes', rows: 1, example: 'loud' }]);
  });
});

describe('rows', () => {
  test('become titles with times in timecode or seconds, by their end or their length', () => {
    const rows = fill('In,Out,Lasts,Name,Role\n00:00:10:00,00:00:14:00,,Ilse,Judge\n20s,,4.4s,Teo,\n');
    expect(rows.map(({ title }) => title)).toMatchObject([
      {
        id: 'n1',
        editionId: 'strap',
        startFrame: 250,
        lengthFrames: 100,
        values: { name: 'Ilse', role: 'Judge' },
      },
      { id: 'n2', startFrame: 500, lengthFrames: 110, values: { name: 'Teo', role: '' } },
    ]);
  });

  test('without a time follow one another from the playhead, as long as the template suggests', () => {
    expect(fill('Name\nIlse\nTeo').map(({ title }) => [title?.startFrame, title?.lengthFrames])).toEqual([
      [500, 145],
      [645, 145],
    ]);
  });

  test('use the template that they name, by its name in any capitals, and keep words that it has no field for', () => {
    const [row] = fill('Template,Place,Role\nPLACE corner,Weir,Judge');
    expect(row.title).toMatchObject({
      editionId: 'corner',
      values: { place: 'Weir' },
      kept: [{ label: 'Role', value: 'Judge' }],
    });
  });

  test('that overlap get a lane each', () => {
    expect(fill('In,Lasts,Name\n10s,4s,A\n12s,4s,B\n14s,4s,C').map(({ title }) => title?.lane)).toEqual([
      0, 1, 0,
    ]);
  });

  test.each([
    ['In,Name\nnoon,Ilse', /In: needs a time/],
    ['In,Lasts,Name\n1s,0f,Ilse', /Duration: needs at least 2 frames/],
    ['In,Out,Name\n00:00:10:00,00:00:09:00,Ilse', /Out: needs at least 2 frames after the start/],
    ['Template,Name\nSlate,Ilse', /Template: needs one of Tideline strap, Place corner, found "Slate"/],
    ['Lane,Name\n40,Ilse', /Lane: needs a lane from 1 to 21/],
    [`Name\n${'a'.repeat(200)}`, /Name: needs at most \d+ characters, found "200 characters"/],
  ])('with something wrong say what, and make no title: %s', (text, message) => {
    const [row] = fill(text);
    expect(row.title).toBeNull();
    expect(row.problems.join()).toMatch(message);
  });

  test('by the thousand keep the good ones and name the bad ones', () => {
    const lines = Array.from(
      { length: 5000 },
      (_, i) => `${i % 7 === 0 ? 'late' : `${i * 2}s`},=Name ${i},${'x'.repeat(i === 3 ? 100_000 : 3)}`,
    );
    const rows = fill(['In,Name,Notes', ...lines].join('\n'));
    expect(rows.filter(({ title }) => title === null)).toHaveLength(Math.ceil(5000 / 7));
    expect(rows[1].title?.values.name).toBe('=Name 1');
  });
});

describe('an exported cue sheet', () => {
  const existing = [
    newTitle({
      id: 'a',
      editionId: 'strap',
      startFrame: 100,
      lengthFrames: 77,
      lane: 1,
      values: { name: 'Ilse, "M"', role: '' },
      kept: [{ label: 'Motto', value: '=Steady' }],
      shift: { dxU: 5, dyU: 0 },
    }),
    newTitle({
      id: 'b',
      editionId: 'corner',
      startFrame: 30,
      lengthFrames: 100,
      lane: 0,
      values: { place: 'نور' },
    }),
    newTitle({ id: 'c', editionId: 'strap', startFrame: 400, lengthFrames: 50, lane: 0, values: {} }),
  ];
  const exported = (titles: readonly Title[]): string => {
    const { headers, rows } = cueSheetRows(titles, templateOf, clockOf(rate));
    return writeCsv(headers, rows);
  };

  test('fills the same titles again, unchanged', () => {
    const rows = fill(exported(existing), existing);
    expect(rows.map(({ before }) => before)).toEqual(existing);
    expect(rows.map(({ title }) => title)).toEqual(existing);
  });

  test('an example of it makes a title of each template, as it was designed, and says nothing that need not be said', () => {
    const { headers, rows } = exampleSheet([tidelineStrap, placeCorner], 500, clockOf(rate));
    expect(headers.slice(0, 3)).toEqual(['In', 'Duration', 'Template']);
    expect(headers.filter((header) => /lane|id$/i.test(header))).toEqual([]);
    const [strap, corner] = fill(writeCsv(headers, rows));
    expect([strap, corner].map(({ problems }) => problems)).toEqual([[], []]);
    const length = designFrames(tidelineStrap.timing, rate);
    expect(strap.title).toMatchObject({ editionId: 'strap', startFrame: 500, lengthFrames: length });
    expect(corner.title).toMatchObject({ editionId: 'corner', startFrame: 500 + 2 * length });
    const [name] = tidelineStrap.fields;
    expect(strap.title?.values[name.id]).toBe(designValue(tidelineStrap, name));
    expect(exampleSheet([], 0, clockOf(rate)).rows).toEqual([]);
  });

  test('words without a field stay as they are: two of one name, figures, and all where the sheet has no column', () => {
    const keeping = {
      ...existing[0],
      kept: [
        { label: 'Motto', value: 'Steady' },
        { label: 'Lap', value: 3 },
        { label: 'Motto', value: 'Fast' },
      ],
    };
    const [row] = fill(exported([keeping]), [keeping]);
    expect(row.title).toEqual(keeping);
    const [bare] = fill('Title id,Role\na,Judge', [keeping]);
    expect(bare.title).toEqual({ ...keeping, values: { ...keeping.values, role: 'Judge' } });
    const [other] = fill('Title id,Kept: Motto\na,Calm', [keeping]);
    expect(other.title?.kept).toEqual([
      { label: 'Lap', value: 3 },
      { label: 'Motto', value: 'Calm' },
    ]);
  });

  test('what a title cannot keep is told, and a long name for it is cut', () => {
    const [huge] = fill(`Name,Kept: Notes\nIlse,${'n'.repeat(100_000)}`);
    expect(huge).toMatchObject({
      title: null,
      problems: [expect.stringMatching(/^Notes: needs at most 20000/)],
    });
    const many = Array.from({ length: 61 }, (_, i) => `Kept: N${i}`).join(',');
    const [row] = fill(`Name,${many}\nIlse${',x'.repeat(61)}`);
    expect(row.problems).toEqual([expect.stringMatching(/^Row: needs at most 60 cells without a field/)]);
    const [named] = fill(`Name,Kept: ${'N'.repeat(100)}\nIlse,x`);
    expect(parseTitle(named.title).kept).toEqual([{ label: 'N'.repeat(80), value: 'x' }]);
  });

  test('makes the same titles in an empty project', () => {
    const again = fill(exported(existing)).map(({ title }) => title);
    expect(again).toMatchObject(
      existing.map(({ startFrame, lengthFrames, lane, editionId, kept }) => ({
        startFrame,
        lengthFrames,
        lane,
        editionId,
        kept,
      })),
    );
  });

  test('whatever the words are', () => {
    const word = fc.string({ unit: 'grapheme', maxLength: 12 }).map((text) => text.replace(/[\r\n]/g, ' '));
    fc.assert(
      fc.property(
        word,
        word,
        fc.nat(5000),
        fc.integer({ min: 2, max: 900 }),
        (name, role, startFrame, lengthFrames) => {
          const one = newTitle({
            id: 'x',
            editionId: 'strap',
            startFrame,
            lengthFrames,
            lane: 3,
            values: { name, role },
          });
          const [row] = fill(exported([one]), [one]);
          // Words that are the design's own follow the design.
          const shown = (title: Title | null): unknown[] => [title?.values.name, title?.values.role];
          if (name === 'Ilse Marrow' || role === 'Lockkeeper, Osier Reach') return;
          expect(shown(row.title)).toEqual([name, role]);
          expect(row.title).toEqual(one);
        },
      ),
    );
  });
});

test('a column that is called as a field is that field, whatever other columns mean the same', () => {
  // An export of two templates: each row has the other's columns empty.
  const both =
    'In,Lasts,Template,Name,Place,Where\n00:00:10:00,4s,Place corner,,Upper Weir,\n00:00:20:00,4s,Place corner,,,Pier 4';
  const rows = fill(both, [], guessRoles(readSheet(both), placeCorner, LABELS));
  expect(rows.map(({ title }) => title?.values.place)).toEqual(['Upper Weir', '']);
});

describe('a sheet that is put in again', () => {
  const HEAD = 'In,Lasts,Name,Role';
  const first = `${HEAD}
00:00:10:00,4s,Ilse Marrow,Lockkeeper
00:00:20:00,4s,Teo Vance,Sailmaker
00:00:30:00,4s,Noor Halloran,Judge`;
  const made = (text: string): Title[] => fill(text).flatMap(({ title }) => title ?? []);
  const again = (text: string, titles: readonly Title[]) =>
    fill(text, titles).map(({ before, title }) => [before?.id ?? null, title?.id]);

  test('finds every title again without ids, and makes none twice', () => {
    const titles = made(first);
    expect(again(first, titles)).toEqual([
      ['n1', 'n1'],
      ['n2', 'n2'],
      ['n3', 'n3'],
    ]);
    expect(fill(first, titles).map(({ title }) => title)).toEqual(titles);
  });

  test('a row with other words, another time or another template is the same title, changed', () => {
    const titles = made(first);
    const changed = `In,Lasts,Template,Name,Role
00:00:10:00,4s,Tideline strap,Ilse Marrow,Harbour master
00:00:44:00,4s,Tideline strap,Teo Vance,Sailmaker
00:00:30:00,4s,Place corner,Noor Halloran,Judge`;
    const rows = fill(changed, titles);
    expect(rows.map(({ before }) => before?.id)).toEqual(['n1', 'n2', 'n3']);
    expect(rows[0].title?.values.role).toBe('Harbour master');
    expect(rows[1].title?.startFrame).toBe(44 * 25);
    // Its words go by meaning, as when a template is swapped; none are lost.
    const { editionId = '', values = {}, kept = [] } = rows[2].title ?? {};
    expect(editionId).toBe('corner');
    const words = [...Object.values(values), ...kept.map(({ value }) => value)];
    expect(words).toEqual(expect.arrayContaining(['Noor Halloran', 'Judge']));
  });

  test('a row at the time of a title that says something else is that title only where the sheet made it', () => {
    const titles = made(first);
    const other = `${HEAD}\n00:00:10:00,4s,Mira Stott,Umpire`;
    expect(again(other, titles)[0][0]).toBeNull();
    const earlier = new Map([['n1', { In: '00:00:10:00', Lasts: '4s', Name: 'Ilse Marrow', Role: 'x' }]]);
    expect(fill(other, titles, undefined, { earlier })[0].before?.id).toBe('n1');
  });

  test('of two titles that say the same the nearer is meant, and two rows are never one title', () => {
    const twins = `${HEAD}\n00:00:10:00,4s,Ilse Marrow,Judge\n00:01:00:00,4s,Ilse Marrow,Judge`;
    const titles = made(twins);
    const moved = `${HEAD}\n00:00:58:00,4s,Ilse Marrow,Judge\n00:00:10:00,4s,Ilse Marrow,Judge`;
    expect(again(moved, titles)).toEqual([
      ['n2', 'n2'],
      ['n1', 'n1'],
    ]);
    const more = `${twins}\n00:02:00:00,4s,Ilse Marrow,Judge`;
    expect(again(more, titles).at(-1)?.[0]).toBeNull();
    const other = `${HEAD}\n00:09:00:00,4s,Mira Stott,Umpire`;
    expect(again(other, titles)[0][0]).toBeNull();
  });

  test('what the sheet did not change since the last time leaves what an editor did to the title', () => {
    const [title] = made(first);
    const edited = { ...title, startFrame: 260, values: { ...title.values, role: 'Lock keeper' } };
    const earlier = new Map([
      ['n1', { In: '00:00:10:00', Lasts: '4s', Name: 'Ilse Marrow', Role: 'Lockkeeper' }],
    ]);
    const put = (text: string) => fill(text, [edited], undefined, { earlier })[0].title;
    expect(put(`${HEAD}\n00:00:10:00,4s,Ilse Marrow,Lockkeeper`)).toEqual(edited);
    // Only the length was changed in the sheet.
    const longer = put(`${HEAD}\n00:00:10:00,6s,Ilse Marrow,Lockkeeper`);
    expect(longer).toEqual({ ...edited, lengthFrames: 150 });
  });

  test('a column that says nothing new still is its field: no other one that means the same takes its place', () => {
    const [title] = made(first);
    const earlier = new Map([['n1', { Name: 'Ilse Marrow', Title: '' }]]);
    const both = 'In,Name,Title\n00:00:10:00,Ilse Marrow,';
    const roles = guessRoles(readSheet(both), tidelineStrap, [...LABELS, 'Title']);
    expect(fill(both, [title], roles, { earlier })[0].title?.values.name).toBe('Ilse Marrow');
  });

  test('thousands of rows are found again soon, alike as they are', () => {
    const lines = Array.from({ length: 3000 }, (_, i) => `${i * 6}s,5s,Guest ${i},Judge`);
    const text = [HEAD, ...lines].join('\n');
    const titles = made(text);
    const rows = fill(text, titles);
    expect(rows.every(({ before, title }) => before !== null && before.id === title?.id)).toBe(true);
  });
});

test('rows that should be looked at are pointed out, and what no project can hold is refused', () => {
  const rows = fill(
    'In,Lasts,Name,Role\n00:00:10:00,4s,Ilse,Judge\n00:00:10:00,4s,Ilse,Judge\n,4s,Teo,Judge\n00:01:58:00,4s,Noor,Judge',
    [],
    undefined,
    { endFrame: 3000 },
  );
  expect(rows.map(({ hints }) => hints)).toEqual([
    [],
    ['says the same as row 1'],
    ['no time: it follows the row before'],
    ['runs past the last picture'],
  ]);
  const [late] = fill('In,Lasts,Name\n23:59:58:00,4s,Ilse');
  expect(late.title).toBeNull();
  expect(late.problems[0]).toContain('within 24 hours');
  // Whatever is accepted can be saved, at the fastest rate too.
  const fast = fill('In,Lasts,Name\n23:59:50:00,4s,Ilse', [], undefined, {
    clock: clockOf(RATES.get('60')),
  });
  expect(parseTitle(fast[0].title)).toEqual(fast[0].title);
});

describe('pictures in cells', () => {
  const film = {
    ...tidelineStrap.fields[0],
    id: 'film',
    kind: 'picture' as const,
    label: 'Film',
    limits: {},
  };
  const document: Template = {
    ...tidelineStrap,
    layers: [newPictureLayer('film', 'Film', null), ...tidelineStrap.layers],
    fields: [
      ...tidelineStrap.fields,
      { ...film, required: false, targets: [{ layerId: 'film', path: 'asset' }] },
    ],
  };
  const pictures = pictureNames([
    { value: 'a1', label: 'ilse.png' },
    { value: 'video:v1', label: 'weir.mov' },
    { value: 'b1', label: 'leaf.png' },
    { value: 'b2', label: 'leaf.png' },
  ]);
  const from = (text: string, existing: readonly Title[] = []): FilledRow[] => {
    const used = { editionId: 'strap', document };
    const roles = guessRoles(readSheet(text), document, [...LABELS, 'Film']);
    return fill(text, existing, roles, {
      templates: [used],
      fallback: used,
      templateOf: () => document,
      pictures,
    });
  };

  test('are told by their names, and what is not here is said with the row', () => {
    const rows = from('Name,Film\nIlse,ilse.png\nTeo,weir\nNoor,gull.png\nUna,\nOde,leaf');
    expect(rows.map(({ title }) => title?.values.film)).toEqual([
      'a1',
      'video:v1',
      undefined,
      undefined,
      undefined,
    ]);
    expect(rows.map(({ problems }) => problems.length)).toEqual([0, 0, 1, 0, 1]);
    expect(rows[2].problems[0]).toMatch(/Film: needs the name of a picture that is here.*gull\.png/);
    expect(rows[4].problems[0]).toMatch(/a name that one picture has, 2 are called so/);
  });

  test('are written by their names, and fill the same titles again', () => {
    const values = { name: 'Ilse', film: 'video:v1' };
    const title = newTitle({ id: 't', editionId: 'strap', startFrame: 0, lengthFrames: 50, lane: 0, values });
    const { headers, rows } = cueSheetRows([title], () => document, clockOf(rate), pictures);
    expect(rows[0][headers.indexOf('Film')]).toBe('weir.mov');
    expect(from(writeCsv(headers, rows), [title])[0].title).toEqual(title);
    const other = rows[0].with(headers.indexOf('Film'), 'ilse');
    const [changed] = from(writeCsv(headers, [other]), [title]);
    expect(changed.title?.values).toEqual({ name: 'Ilse', film: 'a1' });
    if (changed.title === null) throw new Error('not taken');
    expect(titleDifferences(title, changed.title, () => document, clockOf(rate), pictures)).toEqual([
      { label: 'Film', before: 'weir.mov', after: 'ilse.png' },
    ]);
  });

  test('make no two titles the same, unless they say nothing else', () => {
    const title = (values: Title['values']): Title =>
      newTitle({ id: 't', editionId: 'strap', startFrame: 25, lengthFrames: 50, lane: 0, values });
    const [teo] = from('In,Name,Film\n2s,Teo,weir', [title({ name: 'Ilse', film: 'video:v1' })]);
    expect(teo.before).toBeNull();
    const [ilse] = from('In,Name,Film\n2s,Ilse,ilse', [title({ name: 'Ilse', film: 'video:v1' })]);
    expect(ilse.before?.id).toBe('t');
    const [film] = from('In,Name,Film\n2s,,weir', [title({ film: 'video:v1' })]);
    expect(film.before?.id).toBe('t');
  });
});
