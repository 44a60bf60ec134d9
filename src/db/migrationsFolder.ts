import { join } from 'node:path';

/** Where the statements lie that bring the tables up to date, the same for both drivers. */
export const MIGRATIONS = join(process.cwd(), 'src', 'db', 'migrations');
