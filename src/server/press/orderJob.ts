import type { JobOrder, JobOrders } from '@/contract/jobs';
import type { ProjectRecord } from '@/contract/projects';
import { jobOrderSchema, jobOrdersSchema } from '@/contract/jobs';
import type { EditionRecord } from '@/contract/templates';
import { FORMATS } from '@/core/frame/formats';
import { checkValue } from '@/core/model/check';
import { airValues } from '@/core/resolve/automatic';
import { airValue } from '@/core/resolve/fieldValue';
import type { Delivery, Plan } from '@/core/model/plan';
import { MASTER_ID } from '@/core/model/plan';
import type { Title } from '@/core/model/project';
import { InputError } from '@/core/kit/inputError';
import type { FieldValues, Template } from '@/core/model/template';
import type { Output } from '@/core/outputs/output';
import { OUTPUTS } from '@/core/outputs';
import { parseFolderPattern, USUAL_NAMES } from '@/core/outputs/namePattern';
import { hasGround, hasLevels, isStill, planesOf } from '@/core/outputs/output';
import { fieldText } from '@/core/project/cells';
import { deliveryLanguage, titleIn } from '@/core/project/deliver';
import { clockOf } from '@/core/time/clock';
import { RATES } from '@/core/time/rates';
import { framesPerDay } from '@/core/time/timecode';
import type { Db } from '@/db/open';
import { findHouse } from '@/db/house';
import { findProject } from '@/db/projects';
import type { JobPayload, JobProgramme, JobTitle } from '@/db/schema';
import { readEditions } from '@/db/templates';
import { captionPapers } from './captionPapers';
import { atRest, inPlanes, refuseMissing, refuseShape } from './jobFiles';
import { deliveryFolder } from './machineSettings';
import { factsOf, nameFiles } from './nameFiles';
import { withHouseFaces } from './facesOf';
import { programmeToJob } from './orderProgramme';

/** An order from outside, checked. Throws InputError. */
export function parseOrder(value: unknown): JobOrder {
  return checkValue<JobOrder>(jobOrderSchema, value, 'Order');
}

/** Several orders from outside, checked. Throws InputError. */
export function parseOrders(value: unknown): readonly JobOrder[] {
  return checkValue<JobOrders>(jobOrdersSchema, value, 'Orders').orders;
}

/**
 * What the press needs for an order: the titles as they are now. `encoders` are those of this machine's ffmpeg; null without it.
 * Throws InputError when it cannot be made.
 */
export async function orderToPayload(
  db: Db,
  order: JobOrder,
  encoders: ReadonlySet<string> | null,
): Promise<JobPayload> {
  const output = OUTPUTS.get(order.output);
  refuseMissing(output, encoders);
  const project = await findProject(db, order.projectId);
  if (project === undefined) throw InputError.of('Project', 'a project that exists', order.projectId);
  const delivery = deliveryOf(project.plan, order.deliveryId ?? MASTER_ID);
  if (hasGround(output) && !order.programme)
    throw InputError.of('Output', 'the whole programme for a file with its pictures', output.label);
  refuseShape(output, FORMATS.get(delivery.format), `Delivery “${delivery.name}”`);
  const contents = await (order.programme
    ? programmeOf(db, project, order.programme, delivery, output)
    : titlesOf(db, project, order, delivery, output));
  const where = delivery.id === MASTER_ID ? '' : `, ${delivery.name}`;
  const named = nameFiles(contents, order.names ?? USUAL_NAMES, project, delivery);
  return withHouseFaces(db, {
    name: `${project.settings.name}${where}, ${named.contents.length === 1 ? named.contents[0].fileStem : `${named.contents.length} titles`}`,
    origin: `${project.id}/${delivery.id}`,
    ...folderOf(order, project, delivery),
    output: output.id,
    format: delivery.format,
    interlaced: delivery.interlaced && output.fields,
    rate: project.settings.rate,
    ...(delivery.limited === true ? { limited: true } : {}),
    ...(delivery.studio === true && hasLevels(output) ? { studio: true } : {}),
    ...(order.fine === true ? { fine: true } : {}),
    ...(named.alike > 0 ? { alike: named.alike } : {}),
    drop: clockOf(RATES.get(project.settings.rate), project.plan.clock).mode === 'drop',
    language: deliveryLanguage(project.plan, delivery.id, (await findHouse(db)).document),
    titles: inPlanes(named.contents, planesOf(output, order.premultiplied === true)),
    papers: captionPapers(project, order.programme?.trackId ?? null, order.programme?.captionFiles ?? []),
  });
}

/** Where the files of an order go under the folder of delivery. Throws InputError where there is none. */
function folderOf(
  { folder, output }: JobOrder,
  project: ProjectRecord,
  delivery: Delivery,
): Pick<JobPayload, 'folder'> {
  if (folder === undefined) return {};
  if (deliveryFolder() === null)
    throw InputError.of('Folder', 'none, since this machine has no folder of delivery', folder);
  const { project: name, delivery: to, size, rate } = factsOf(project, delivery);
  return { folder: parseFolderPattern(folder)({ project: name, delivery: to, size, rate, kind: output }) };
}

/** Throws InputError where two files of several jobs would have one name in one folder of delivery. */
export function refuseSharedNames(payloads: readonly JobPayload[]): void {
  const taken = new Set<string>();
  for (const { folder, titles, output } of payloads) {
    if (folder === undefined) continue;
    const { extension } = OUTPUTS.get(output);
    for (const { fileStem } of titles) {
      const path = `${folder}/${fileStem}.${extension}`.toLowerCase();
      if (taken.has(path))
        throw InputError.of(
          'Folder',
          'a folder of its own for each delivery and kind of file',
          path,
          'Add {delivery} or {kind} to it.',
        );
      taken.add(path);
    }
  }
}

/** A file for each title that is asked for. */
async function titlesOf(
  db: Db,
  project: ProjectRecord,
  order: JobOrder,
  delivery: Delivery,
  output: Output,
): Promise<JobTitle[]> {
  const wanted = new Set(order.titleIds);
  const numbers = new Map(project.titles.map(({ id }, i) => [id, i + 1]));
  const unknown = order.titleIds.filter((id) => !numbers.has(id));
  if (unknown.length > 0) throw InputError.of('Titles', 'titles of this project', unknown);
  const chosen = project.titles
    .filter((title) => wanted.size === 0 || wanted.has(title.id))
    .flatMap((title) => titleIn(title, delivery.id) ?? []);
  if (chosen.length === 0)
    throw InputError.of(
      'Titles',
      'at least one title of the project',
      'none',
      'Place a title on the desk first.',
    );
  const editions = await editionsOf(
    db,
    chosen.map(({ editionId }) => editionId),
  );
  const air = airValuesIn(project);
  return chosen.map((title) => {
    const number = numbers.get(title.id) ?? 0;
    const edition = editions.get(title.editionId);
    const values = edition === undefined ? title.values : air(title, edition.document);
    const job = {
      ...titleToJob({ ...title, values }, number, edition),
      timecodeFrame: labelFrame(project, title.startFrame),
      place: {
        number,
        startFrame: title.startFrame,
        lane: title.lane,
        words: edition === undefined ? '' : wordsOf(values, edition.document),
        edition: edition?.number,
      },
    };
    return isStill(output) ? atRest(job, project.settings.rate) : job;
  });
}

async function programmeOf(
  db: Db,
  project: ProjectRecord,
  programme: NonNullable<JobOrder['programme']>,
  delivery: Delivery,
  output: Output,
): Promise<JobProgramme[]> {
  if (isStill(output))
    throw InputError.of('Output', 'a video or a sequence for a whole programme', output.label);
  const styles = (project.plan.captions ?? []).flatMap(({ editionId }) => editionId ?? []);
  const editions = await editionsOf(db, [...project.titles.map(({ editionId }) => editionId), ...styles]);
  const air = airValuesIn(project);
  const airValuesOf = (title: Title): FieldValues => {
    const edition = editions.get(title.editionId);
    return edition === undefined ? title.values : air(title, edition.document);
  };
  const job = programmeToJob(project, programme, {
    delivery,
    editions,
    airValuesOf,
    withPictures: hasGround(output),
  });
  return [{ ...job, timecodeFrame: labelFrame(project, 0) }];
}

async function editionsOf(db: Db, ids: readonly string[]): Promise<ReadonlyMap<string, EditionRecord>> {
  return new Map((await readEditions(db, [...new Set(ids)])).map((edition) => [edition.id, edition]));
}

/** What titles of a project go to air with: what was typed, and what their automatic fields say. */
function airValuesIn({
  settings,
  plan,
  clips,
  titles,
}: ProjectRecord): (title: Title, document: Template) => FieldValues {
  const clock = clockOf(RATES.get(settings.rate), plan.clock);
  const numbers = new Map(titles.map(({ id }, i) => [id, i + 1]));
  return (title, document) =>
    airValues(document, title, {
      projectName: settings.name,
      clock,
      clips,
      number: numbers.get(title.id) ?? 0,
    });
}

/** The label of a frame of a project, as a count of frames from midnight. */
function labelFrame({ settings, plan }: ProjectRecord, frame: number): number {
  const clock = clockOf(RATES.get(settings.rate), plan.clock);
  return (frame + clock.startFrame) % framesPerDay(clock);
}

function deliveryOf(plan: Plan, id: string): Delivery {
  const found = plan.deliveries.find((one) => one.id === id);
  if (found === undefined)
    throw InputError.of('Delivery', `one of ${plan.deliveries.map((one) => one.id).join(', ')}`, id);
  return found;
}

/** What a title says, in the order of its fields. */
function wordsOf(values: FieldValues, document: Template): string {
  return document.fields
    .filter(({ kind }) => kind === 'text')
    .map((field) => fieldText(field, values[field.id] ?? airValue(document, field)))
    .filter((words) => words.trim() !== '')
    .join(' · ');
}

function titleToJob(title: Title, number: number, edition: EditionRecord | undefined): JobTitle {
  if (edition === undefined)
    throw InputError.of(`Title ${number}`, 'an edition that exists', title.editionId);
  const { document } = edition;
  return {
    titleId: title.id,
    fileStem: '',
    document,
    values: title.values,
    lengthFrames: title.lengthFrames,
    shift: title.shift,
    scrim: title.scrim,
    edge: title.edge,
    moments: title.moments,
    credits: title.credits,
    fadeInFrames: title.fadeInFrames,
    fadeOutFrames: title.fadeOutFrames,
    onlyFrame: null,
  };
}
