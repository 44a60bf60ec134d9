'use client';
import { FOLDER_TOKENS, parseFolderPattern, USUAL_FOLDERS } from '@/core/outputs/namePattern';
import { counted } from '../../shared/counted';
import { PatternRow, problemOf } from './PatternRow';

/** What is wrong with a pattern of folders, in words; null for a good one, and for none. */
export const folderProblem = (pattern: string): string | null => problemOf(() => parseFolderPattern(pattern));

interface Props {
  /** Empty where files stay on the press. */
  readonly pattern: string;
  readonly onChange: (pattern: string) => void;
  /** The folders, as the press says; none while they are not known. */
  readonly folders: readonly string[];
  /** Whether this machine has a folder of delivery; null while that is not known. */
  readonly hasFolder: boolean | null;
}

/** Where under the folder of delivery files are put once they are finished. */
export function FolderNames({ pattern, onChange, folders, hasFolder }: Props) {
  if (hasFolder === false)
    return (
      <PatternRow
        label="Folder"
        pattern=""
        onChange={onChange}
        tokens={FOLDER_TOKENS}
        problem={null}
        placeholder="Files stay on the press"
        example="This machine has no folder of delivery: it is started without GILDER_DELIVERY."
        disabled
      />
    );
  return (
    <PatternRow
      label="Folder"
      pattern={pattern}
      onChange={onChange}
      tokens={FOLDER_TOKENS}
      between="/"
      problem={folderProblem(pattern)}
      placeholder={`Files stay on the press; or such as ${USUAL_FOLDERS}`}
      example={exampleWords(folders)}
    />
  );
}

function exampleWords([first, ...others]: readonly string[]): string {
  if (first === undefined) return ' ';
  const more = others.length === 0 ? '' : `, and ${counted(others.length, 'other folder')}`;
  return `Put into ${first}${more}, in place of what was put there before`;
}
