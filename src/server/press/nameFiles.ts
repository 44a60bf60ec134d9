import type { ProjectRecord } from '@/contract/projects';
import { FORMATS } from '@/core/frame/formats';
import type { Delivery } from '@/core/model/plan';
import type { NameFacts } from '@/core/outputs/namePattern';
import { nameApart, parseNamePattern } from '@/core/outputs/namePattern';
import { airValue } from '@/core/resolve/fieldValue';
import { clockOf } from '@/core/time/clock';
import { RATES } from '@/core/time/rates';
import { labelOf } from '@/core/time/timecode';
import type { JobContent, JobTitle } from '@/db/schema';

interface NamedContents {
  readonly contents: readonly JobContent[];
  /** How many got a figure, since their names would have been alike. */
  readonly alike: number;
}

/** Gives the files of a delivery their names by a pattern, no two alike. Throws InputError for a pattern that is none. */
export function nameFiles(
  contents: readonly JobContent[],
  pattern: string,
  project: ProjectRecord,
  delivery: Delivery,
): NamedContents {
  const nameOf = parseNamePattern(pattern);
  const common = factsOf(project, delivery);
  const { names, alike } = nameApart(
    contents.map((content) =>
      nameOf(
        'parts' in content ? { ...common, words: content.fileStem } : titleFacts(content, common, project),
      ),
    ),
  );
  return { contents: contents.map((content, i) => ({ ...content, fileStem: names[i] })), alike };
}

/** What is the same for all files of a delivery; a programme has nothing else. */
export function factsOf({ settings }: ProjectRecord, { name, format, interlaced }: Delivery): NameFacts {
  const { widthPx, heightPx } = FORMATS.get(format);
  return {
    number: '',
    words: '',
    in: '',
    template: '',
    edition: '',
    id: '',
    project: settings.name,
    delivery: name,
    size: `${widthPx}x${heightPx}`,
    rate: `${settings.rate}${interlaced ? 'i' : 'p'}`,
  };
}

function titleFacts(title: JobTitle, common: NameFacts, { settings, plan }: ProjectRecord): NameFacts {
  const { document, values, place, timecodeFrame, titleId } = title;
  const first = document.fields.find((field) => field.kind === 'text');
  const said = first === undefined ? '' : String(values[first.id] ?? airValue(document, first));
  const label =
    timecodeFrame === undefined ? '' : labelOf(timecodeFrame, clockOf(RATES.get(settings.rate), plan.clock));
  return {
    ...common,
    number: place === undefined ? '' : String(place.number).padStart(3, '0'),
    // A title without words is known by its template.
    words: said.trim() === '' ? document.name : said,
    in: label.replace(/\D/g, ''),
    template: document.name,
    edition: String(place?.edition ?? ''),
    id: titleId,
  };
}
