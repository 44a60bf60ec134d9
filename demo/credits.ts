import type { CreditRow } from '@/core/model/credits';
import { textToCredits } from '@/core/credits/creditText';

const GIVEN =
  'Ilse Teo Noor Ode Mira Bram Sunniva Tamsin Oriel Jory Wren Pascoe Elowen Idris Maren Corin Yusra Petra Lowen Hesper Aldous Brisa Kit Senna Tove Marlo Una Ravi Linnet Eskil';
const FAMILY =
  'Marrow Vance Halloran Pell Stott Quillfeather Oduya Sedge Fenwick-Rook Weir Tallow Osborne-Reed Kestle Gannet Thackeray-Moss Lorne Bywater Hask Dunnock Penrose-Vey Ashlar Trevanion-Lake Corbel Withy Loam Saltmarsh';

/** So many made-up names, no two alike. */
function names(from: number, count: number): string[] {
  const [given, family] = [GIVEN.split(' '), FAMILY.split(' ')];
  return Array.from({ length: count }, (_, i) => {
    const at = from + i;
    return `${given[at % given.length]} ${family[(at * 7 + Math.floor(at / given.length)) % family.length]}`;
  });
}

const under = (role: string, from: number, count: number): string =>
  names(from, count)
    .map((name, i) => `${i === 0 ? role : ''}\t${name}`)
    .join('\n');

/** The end credits of the Lantern Regatta, as a text: about 150 names. */
const REGATTA_CREDITS_TEXT = `# Lantern Regatta

Presented by\tIlse Marrow
\tTeo Vance
On the water\tNoor Halloran
Guide to the tides\tBartholomew Quillfeather-Oduya

# Programme
Producer\tMira Stott
Director\tOde Pell
${under('Assistant producers', 30, 3)}
${under('Researchers', 35, 4)}
Script\t${names(41, 1)[0]}
Music composed and played by\tThe Second Company of Lantern Bearers

# Cameras
${under('On the bank', 50, 8)}
${under('On the boats', 60, 6)}
${under('From the air', 68, 2)}

# Sound and light
${under('Sound', 72, 5)}
${under('Lanterns and light', 80, 7)}

# Editing and graphics
${under('Editors', 90, 3)}
${under('Graphics', 95, 3)}
Captions\t${names(100, 1)[0]}
Archive\t${names(102, 1)[0]}

# Lantern bearers
${names(110, 42).join('\n')}

# Wardens of the locks and weirs
${names(160, 30).join('\n')}

# Safety boats
${names(200, 24).join('\n')}

# With thanks to
The Ferry Wardens
The Kiln and Clay studio
Osier Harbour
The people of the Upper Weirs
Lantern Gate School
The Withy Beds Trust

> Every lantern on the river was carried down by hand and carried home again. No bird was disturbed at the Withy Beds.

# Channel Osier
`;

/** The end credits of the Lantern Regatta. */
export const REGATTA_CREDITS: readonly CreditRow[] = textToCredits(REGATTA_CREDITS_TEXT).rows;
