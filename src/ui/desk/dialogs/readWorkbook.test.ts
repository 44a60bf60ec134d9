/** @jest-environment node */
import { expect, test } from '@jest/globals';
import { strToU8, zipSync } from 'fflate';
import { readWorkbook } from './readWorkbook';

// Files written by hand from the standards: ECMA-376 (SpreadsheetML) and OpenDocument 1.2, the least that each asks for.
const cell = (ref: string, text: string): string => `<c r="${ref}" t="inlineStr"><is><t>${text}</t></is></c>`;
const page = (rows: readonly string[]): string =>
  `<?xml version="1.0"?><worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${rows
    .map((cells, i) => `<row r="${i + 1}">${cells}</row>`)
    .join('')}</sheetData></worksheet>`;
const REL = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

function xlsx(pages: Readonly<Record<string, readonly string[]>>): Uint8Array {
  const names = Object.keys(pages);
  const files: Record<string, string> = {
    '[Content_Types].xml': `<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.styles+xml"/>${names.map((_, i) => `<Override PartName="/xl/worksheets/sheet${i + 1}.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/>`).join('')}</Types>`,
    '_rels/.rels': `<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r" Type="${REL}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `<?xml version="1.0"?><workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="${REL}"><sheets>${names.map((name, i) => `<sheet name="${name}" sheetId="${i + 1}" r:id="r${i + 1}"/>`).join('')}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">${names.map((_, i) => `<Relationship Id="r${i + 1}" Type="${REL}/worksheet" Target="worksheets/sheet${i + 1}.xml"/>`).join('')}<Relationship Id="s" Type="${REL}/styles" Target="styles.xml"/></Relationships>`,
    // The one style of its own shows a part of a day as hours, minutes and seconds.
    'xl/styles.xml': `<?xml version="1.0"?><styleSheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><fonts count="1"><font/></fonts><fills count="1"><fill/></fills><borders count="1"><border/></borders><cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="21" applyNumberFormat="1"/></cellXfs></styleSheet>`,
  };
  names.forEach((name, i) => (files[`xl/worksheets/sheet${i + 1}.xml`] = page(pages[name])));
  return zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])));
}

function ods(rows: readonly (readonly string[])[]): Uint8Array {
  const content = `<?xml version="1.0"?><office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" office:version="1.2"><office:body><office:spreadsheet><table:table table:name="Gäste">${rows
    .map(
      (cells) =>
        `<table:table-row>${cells.map((text) => `<table:table-cell office:value-type="string"><text:p>${text}</text:p></table:table-cell>`).join('')}</table:table-row>`,
    )
    .join('')}</table:table></office:spreadsheet></office:body></office:document-content>`;
  const manifest = `<?xml version="1.0"?><manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0"><manifest:file-entry manifest:full-path="/" manifest:media-type="application/vnd.oasis.opendocument.spreadsheet"/><manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/></manifest:manifest>`;
  return zipSync({
    mimetype: [strToU8('application/vnd.oasis.opendocument.spreadsheet'), { level: 0 }],
    'content.xml': strToU8(content),
    'styles.xml': strToU8(
      '<?xml version="1.0"?><office:document-styles xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" office:version="1.2"/>',
    ),
    'META-INF/manifest.xml': strToU8(manifest),
  });
}

test('a spreadsheet has its cells as it shows them, times as times, and its pages by name', async () => {
  const time = `<c r="A2" s="1"><v>0.5002314814814815</v></c>`;
  const pages = await readWorkbook(
    xlsx({
      Guests: [cell('A1', 'In') + cell('B1', 'Name'), time + cell('B2', 'Noor &amp; Ode'), cell('B3', 'نور')],
      Empty: [cell('A1', 'Only a heading')],
    }),
  );
  expect(pages).toEqual([
    {
      name: 'Guests',
      sheet: {
        headers: ['In', 'Name'],
        rows: [
          ['12:00:20', 'Noor & Ode'],
          ['', 'نور'],
        ],
        notes: [],
      },
    },
  ]);
});

test('an OpenDocument spreadsheet is read alike', async () => {
  const [{ name, sheet }] = await readWorkbook(
    ods([
      ['In', 'Name'],
      ['00:00:10:00', 'Ilse Marrow'],
    ]),
  );
  expect(name).toBe('Gäste');
  expect(sheet).toEqual({ headers: ['In', 'Name'], rows: [['00:00:10:00', 'Ilse Marrow']], notes: [] });
});

test('an archive that is no spreadsheet, and one without rows, are refused', async () => {
  const other = zipSync({ 'notes.txt': strToU8('Ilse') });
  await expect(readWorkbook(other)).rejects.toThrow(/Spreadsheet/);
  await expect(readWorkbook(xlsx({ A: [cell('A1', 'Name')] }))).rejects.toThrow(/at least one row/);
  await expect(readWorkbook(new Uint8Array(17 * 1024 * 1024))).rejects.toThrow(/at most 16 MB/);
});
