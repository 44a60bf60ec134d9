import type { Sheet } from '@/core/formats/csv/csv';
import { tableToSheet } from '@/core/formats/csv/csv';
import { InputError } from '@/core/kit/inputError';

/** A page of a spreadsheet that has something in it. */
export interface WorkbookPage {
  readonly name: string;
  readonly sheet: Sheet;
}

const LONGEST_BYTES = 16 * 1024 * 1024;
const MOST_ROWS = 100_001;

/**
 * The pages of a spreadsheet file (.xlsx, .ods, .xls) that have rows, with cells as the spreadsheet shows them. Throws
 * InputError for a file that is too long, cannot be read, or has nothing in it.
 */
export async function readWorkbook(bytes: Uint8Array): Promise<WorkbookPage[]> {
  if (bytes.length > LONGEST_BYTES)
    throw InputError.of('Spreadsheet', 'at most 16 MB', `${Math.ceil(bytes.length / 1e6)} MB`);
  // Large, and only needed here.
  const { read, utils } = await import('@e965/xlsx');
  const book = opened(() => read(bytes, { dense: true, sheetRows: MOST_ROWS + 1 }));
  const pages = book.SheetNames.flatMap((name): WorkbookPage[] => {
    const table = utils.sheet_to_json<string[]>(book.Sheets[name], {
      header: 1,
      raw: false,
      defval: '',
      blankrows: false,
    });
    const rows = table.map((row) => row.map(String));
    return rows.length < 2 ? [] : [{ name, sheet: tableToSheet(rows, []) }];
  });
  if (pages.length === 0)
    throw InputError.of('Spreadsheet', 'a page with a row of column names and at least one row', 'none');
  return pages;
}

function opened<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    throw InputError.of(
      'Spreadsheet',
      'a file that opens, such as .xlsx, .ods or .xls',
      error instanceof Error ? error.message : String(error),
      'A file with a password has to be saved without one first.',
    );
  }
}
