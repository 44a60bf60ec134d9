import * as yup from 'yup';
import { InputError } from '@/core/kit/inputError';
import { checkValue } from '@/core/model/check';

/** The newest backup that this program reads and writes; since 2 it knows which files were put into folders of delivery. */
export const BACKUP_VERSION = 2;

/** What a backup holds: every other entry of it, with its size and its SHA-256 in hexadecimal. */
export interface BackupManifest {
  readonly kind: 'gilder-backup';
  readonly version: number;
  readonly madeAt: string;
  readonly entries: readonly { readonly path: string; readonly bytes: number; readonly sha256: string }[];
}

const manifestSchema = yup
  .object({
    kind: yup.string().required().oneOf(['gilder-backup']),
    version: yup.number().required().integer().min(1).max(BACKUP_VERSION),
    madeAt: yup.string().required(),
    entries: yup
      .array()
      .required()
      .of(
        yup.object({
          path: yup
            .string()
            .required()
            .matches(
              /^(tables\/[a-z_]+\.ndjson|(pictures|fonts)\/[0-9a-f]{64}|videos\/[0-9a-f]{24}\.(mp4|webm|mov))$/,
            ),
          bytes: yup.number().required().integer().min(0),
          sha256: yup
            .string()
            .required()
            .matches(/^[0-9a-f]{64}$/),
        }),
      ),
  })
  .noUnknown()
  .required();

/** A manifest from the text of its file. Throws InputError. */
export function parseManifest(text: string): BackupManifest {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw InputError.of('Backup, manifest.json', 'JSON', text.slice(0, 40));
  }
  return checkValue<BackupManifest>(manifestSchema, value, 'Backup, manifest.json');
}
