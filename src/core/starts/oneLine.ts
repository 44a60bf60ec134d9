import { newTemplate } from '../model/newTemplate';
import type { Start } from './start';

/** One line of text, open to editors. */
export const oneLine: Start = { id: 'one-line', label: 'One line of text', begin: newTemplate };
