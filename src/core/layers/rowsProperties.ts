import type { Chain, RowsBar, RowsColumn, RowsLayer } from '../model/template';
import { cellColumns, CHAIN_RHYTHMS } from '../model/template';
import type { Property } from './layerKind';
import {
  choiceProperty,
  colourProperty,
  faceChoices,
  numberProperty,
  switchProperty,
  weightChoices,
} from './properties';

/** What can be set of a list. */
export function rowsProperties(layer: RowsLayer): Property[] {
  const number = (
    path: 'rowHeightU' | 'gapU' | 'padU' | 'plateRadiusU' | 'maxRows',
    label: string,
    range: readonly ['u' | '', number, number, number],
  ): Property =>
    numberProperty(path, label, range, layer[path], (v) => ({
      ...layer,
      [path]: path === 'maxRows' ? Math.round(v) : v,
    }));
  return [
    {
      path: 'rows',
      label: 'Rows',
      part: 'type',
      stage: 'layout',
      fieldKind: 'rows',
      control: { kind: 'rows', columns: cellColumns(layer).length },
      value: layer.rows,
      with: (rows) => ({ ...layer, rows: String(rows) }),
    },
    ...chainProperties(layer),
    number('maxRows', 'Most rows', ['', 1, 100, 1]),
    ...(layer.chain == null
      ? [
          switchProperty('pages', 'Pages when full', layer.pages ?? false, (pages) => ({ ...layer, pages })),
          switchProperty('grows', 'Grows with its rows', layer.grows ?? false, (grows) => ({
            ...layer,
            grows,
          })),
        ]
      : []),
    number('rowHeightU', 'Row height', ['u', 8, 600, 1]),
    number('gapU', 'Gap', ['u', -50, 400, 1]),
    number('padU', 'Inset', ['u', 0, 300, 1]),
    colourProperty('plate', 'Plate', layer.plate, (plate) => ({ ...layer, plate })),
    numberProperty('plateOpacity', 'Plate opacity', ['%', 0, 100, 5], layer.plateOpacity * 100, (v) => ({
      ...layer,
      plateOpacity: v / 100,
    })),
    number('plateRadiusU', 'Plate roundness', ['u', 0, 300, 1]),
    numberProperty('widthShare', 'Width', ['%', 5, 120, 1], layer.widthShare * 100, (v) => ({
      ...layer,
      widthShare: v / 100,
    })),
    numberProperty('columnCount', 'Columns', ['', 1, MOST_COLUMNS, 1], layer.columns.length, (v) =>
      withColumns(layer, Math.round(v)),
    ),
    ...layer.columns.flatMap((column, i) => columnProperties(layer, column, i)),
  ];
}

const FIRST_CHAIN: Chain = { rhythm: 'even', everySeconds: 3, overlap: 0.5, round: false };

/** Whether rows stand together, or replace one another, and in which rhythm. */
function rhythmProperty(layer: RowsLayer, set: (change: Partial<Chain>) => RowsLayer): Property {
  return choiceProperty(
    'chain.rhythm',
    'Shown',
    [
      { value: 'together', label: 'Together' },
      { value: 'even', label: 'In turn, evenly' },
      { value: 'seconds', label: 'In turn, so long each' },
      { value: 'reading', label: 'In turn, as read' },
    ],
    layer.chain?.rhythm ?? 'together',
    (value) => {
      const wanted = CHAIN_RHYTHMS.find((one) => one === value);
      return wanted === undefined ? { ...layer, chain: null } : set({ rhythm: wanted });
    },
  );
}

/** How a list shows its rows. */
function chainProperties(layer: RowsLayer): Property[] {
  const chain = layer.chain ?? null;
  const set = (change: Partial<Chain>): RowsLayer => ({
    ...layer,
    chain: { ...(chain ?? FIRST_CHAIN), ...change },
  });
  const rhythm = rhythmProperty(layer, set);
  if (chain === null)
    return [
      rhythm,
      numberProperty(
        'earlierOpacity',
        'Earlier rows',
        ['%', 10, 100, 5],
        (layer.earlierOpacity ?? 1) * 100,
        (v) => ({
          ...layer,
          earlierOpacity: v / 100,
        }),
      ),
    ];
  return [
    rhythm,
    ...(chain.rhythm === 'seconds'
      ? [
          numberProperty(
            'chain.everySeconds',
            'Each stands',
            ['s', 0.1, 3600, 0.1],
            chain.everySeconds,
            (v) => set({ everySeconds: v }),
          ),
        ]
      : []),
    numberProperty('chain.overlap', 'Pushes the last', ['%', 0, 100, 5], chain.overlap * 100, (v) =>
      set({ overlap: v / 100 }),
    ),
    ...(chain.rhythm === 'even'
      ? []
      : [
          switchProperty('chain.round', 'Round and round', chain.round, (round) => set({ round })),
          ...(chain.round
            ? []
            : [
                switchProperty('chain.fills', 'Fills the time', chain.fills ?? false, (fills) =>
                  set({ fills }),
                ),
              ]),
        ]),
  ];
}

const MOST_COLUMNS = 8;

/** A list with so many columns: more are like the last one with words, fewer lose the last ones. */
function withColumns(layer: RowsLayer, count: number): RowsLayer {
  const { columns } = layer;
  const last = cellColumns(layer).at(-1)?.column ?? { ...columns[0], bar: null };
  const more = Array.from({ length: Math.max(0, count - columns.length) }, () => last);
  return { ...layer, columns: [...columns, ...more].slice(0, count) };
}

const FIRST_BAR: RowsBar = { of: 0, zero: 0, full: null, heightShare: 0.6, radiusU: 0 };

/** What a column shows: words, figures that count, or a bar as long as a figure of its row. */
function showsProperties(
  layer: RowsLayer,
  column: RowsColumn,
  path: string,
  name: string,
  set: (change: Partial<RowsColumn>) => RowsLayer,
): Property[] {
  const bar = column.bar ?? null;
  const setBar = (change: Partial<RowsBar>): RowsLayer => set({ bar: { ...(bar ?? FIRST_BAR), ...change } });
  const cells = cellColumns(layer);
  const figures = { ...FIRST_BAR, of: Math.max(0, cells.length - (bar === null ? 2 : 1)) };
  const shows = choiceProperty(
    `${path}.shows`,
    `${name} shows`,
    [
      { value: 'words', label: 'Words' },
      { value: 'figures', label: 'Figures that count' },
      { value: 'bar', label: 'A bar' },
    ],
    bar !== null ? 'bar' : column.counts === true ? 'figures' : 'words',
    (value) => {
      if (value === 'bar' && cells.length < 2 && bar === null) return layer;
      return set({ counts: value === 'figures', bar: value === 'bar' ? (bar ?? figures) : null });
    },
  );
  if (bar === null) return [shows];
  return [
    shows,
    choiceProperty(
      `${path}.bar.of`,
      `${name} bar of`,
      cells.map(({ at }, i) => ({ value: String(i), label: `Column ${at + 1}` })),
      String(Math.min(bar.of, cells.length - 1)),
      (of) => setBar({ of: Number(of) }),
    ),
    numberProperty(`${path}.bar.zero`, `${name} starts at`, ['', -1e6, 1e6, 1], bar.zero, (zero) =>
      setBar({ zero }),
    ),
    switchProperty(`${path}.bar.isFull`, `${name} full at a figure`, bar.full !== null, (given) =>
      setBar({ full: given ? 100 : null }),
    ),
    ...(bar.full === null
      ? []
      : [
          numberProperty(`${path}.bar.full`, `${name} full at`, ['', -1e6, 1e6, 1], bar.full, (full) =>
            setBar({ full }),
          ),
        ]),
    numberProperty(
      `${path}.bar.heightShare`,
      `${name} bar height`,
      ['%', 5, 100, 1],
      bar.heightShare * 100,
      (v) => setBar({ heightShare: v / 100 }),
    ),
    numberProperty(`${path}.bar.radiusU`, `${name} bar roundness`, ['u', 0, 300, 1], bar.radiusU, (radiusU) =>
      setBar({ radiusU }),
    ),
  ];
}

function columnProperties(layer: RowsLayer, column: RowsColumn, index: number): Property[] {
  const path = `columns.${index}`;
  const name = `Column ${index + 1}`;
  const set = (change: Partial<RowsColumn>): RowsLayer => ({
    ...layer,
    columns: layer.columns.with(index, { ...column, ...change }),
  });
  const { style } = column;
  const weights = weightChoices(style.face, style.weight);
  const share = numberProperty(`${path}.share`, `${name} width`, ['', 0.1, 20, 0.1], column.share, (value) =>
    set({ share: value }),
  );
  const fill = colourProperty(`${path}.fill`, `${name} colour`, style.fill, (value) =>
    set({ style: { ...style, fill: value } }),
  );
  const shows = showsProperties(layer, column, path, name, set);
  if (column.bar != null) return [...shows, fill, share];
  return [
    ...shows,
    choiceProperty(`${path}.face`, `${name} font`, faceChoices(style.face), style.face, (face) =>
      set({ style: { ...style, face } }),
    ),
    choiceProperty(`${path}.weight`, `${name} weight`, weights.choices, weights.current, (w) =>
      set({ style: { ...style, weight: Number(w) } }),
    ),
    numberProperty(`${path}.sizeU`, `${name} size`, ['u', 4, 400, 1], style.sizeU, (sizeU) =>
      set({ style: { ...style, sizeU } }),
    ),
    fill,
    share,
    choiceProperty(
      `${path}.align`,
      `${name} align`,
      [
        { value: 'left', label: 'Left' },
        { value: 'centre', label: 'Centre' },
        { value: 'right', label: 'Right' },
      ],
      column.align,
      (align) => set({ align }),
    ),
  ];
}
