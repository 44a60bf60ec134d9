import type { Delivery } from '../model/plan';
import type { Clip, Title } from '../model/project';
import { InputError } from '../kit/inputError';
import { sameValue } from '../kit/sameValue';
import type { Rect } from '../kit/rect';
import { standsAbove, wordsCover } from '../captions/cuePlace';
import { isWords } from '../resolve/fieldValue';
import { titleIn } from '../project/deliver';
import { SpanIndex } from '../project/spanIndex';
import type { Check, LayoutContext, TitleContext } from './check';
import { CHECKS } from './checks';
import type { Finding, Found } from './finding';
import { toFinding, worstFirst } from './finding';
import { applyMend } from './mend';
import type { Trial, TrialOutcome } from './tryMend';
import { outcomeOf } from './tryMend';
import type { ProofTools } from './layoutContext';
import { layoutContext } from './layoutContext';
import { momentsUnder } from './underTitle';
import type { ProofSurroundings } from './titleContext';
import { titleNames } from './titleNames';
import { titleContext } from './titleContext';

/** How far a proof is: checks of words count one a title, those of the layout one a title and delivery. */
export interface ProofProgress {
  readonly done: number;
  readonly total: number;
}

type CheckOf<K extends Check['kind']> = Extract<Check, { kind: K }>;

interface Proofed {
  title: Title;
  number: number;
  context: TitleContext | null;
  /** What of the project it depends on: the clips under and beside it, and the newest edition. When it changes, it is proofed again. */
  around: readonly unknown[];
  words: readonly Finding[] | null;
  readonly layouts: Map<string, readonly Finding[]>;
  /** What was found in a delivery before, told until it is looked at again. */
  readonly earlier: ReadonlyMap<string, readonly Finding[]>;
  readonly covers: Map<string, Rect>;
  project: readonly Finding[];
}

const WORDS_AT_ONCE = 60;

/**
 * The proof of a project that goes on changing. It is told what changed and asked for steps; each does a little of what
 * is left, the focused title first, and gives the findings that are new. What did not change is not checked again.
 */
export class Proofer {
  private readonly titles = new Map<string, Proofed>();
  private order: readonly string[] = [];
  private around: ProofSurroundings | null = null;
  /** The titles but captions, to find those that are on screen with one. */
  private shownTitles = new SpanIndex<Title>([]);
  private clipIndex = new SpanIndex<Clip>([]);
  private focused: string | null = null;
  private projectDue = false;
  /** Whether words cover other places than when titles were last compared; that waits until all are laid out. */
  private coversMoved = false;
  /** What was found in titles that look alike but for their words, for checks that do not depend on those. */
  private readonly alike = new Map<string, Promise<readonly Found[]>>();

  constructor(private readonly tools: ProofTools) {}

  /** Takes the project as it is now; gives the ids of the titles that have to be looked at again. */
  update(titles: readonly Title[], asked: ProofSurroundings): string[] {
    const before = this.around;
    const found = titleNames(titles, (id) => asked.editions.get(id)?.document);
    const names = sameValue(found, before?.names) ? before?.names : found;
    const around = { ...asked, names };
    const all = before === null || !sameRules(before, around);
    const spelling = !sameValue(before?.plan.words, around.plan.words);
    const elsewhere =
      before?.clips !== around.clips ||
      before.editions !== around.editions ||
      before.newest !== around.newest;
    if (before?.clips !== around.clips) this.clipIndex = new SpanIndex(around.clips);
    this.around = around;
    if (all) this.alike.clear();
    this.order = titles.map(({ id }) => id);
    this.shownTitles = new SpanIndex(titles.filter(({ caption }) => caption === undefined));
    const present = new Set(this.order);
    for (const id of this.titles.keys()) if (!present.has(id)) this.titles.delete(id);
    // Captions are not counted among the titles.
    let number = 0;
    for (const title of titles) this.take(title, title.caption === undefined ? ++number : 0, all, elsewhere);
    if (spelling && !all) this.spellAgain(() => true);
    else if (before !== null && names !== before.names && !all)
      this.spellAgain(({ title }) => title.caption !== undefined);
    this.projectDue = true;
    return this.order.filter((id) => !this.isComplete(id));
  }

  /** What a mend would do, found out by doing it to a copy; null for a title that is not looked at yet. */
  async tryMend(trial: Trial): Promise<TrialOutcome | null> {
    const { around } = this;
    const { titleId } = trial.finding;
    if (around === null || !this.isComplete(titleId)) return null;
    const titles = this.order.flatMap((id) => this.titles.get(id)?.title ?? []);
    const work = applyMend(
      { titles, clips: around.clips, cues: [], plan: around.plan },
      trial.finding,
      trial.change,
      (id) => around.editions.get(id),
    );
    const copy = new Proofer(this.tools);
    copy.order = this.order;
    copy.around = around;
    copy.clipIndex = this.clipIndex;
    for (const [id, one] of this.titles) copy.titles.set(id, { ...one });
    const inOrder = work.titles.toSorted((a, b) => a.startFrame - b.startFrame);
    copy.update(inOrder, { ...around, plan: work.plan });
    copy.focus(titleId);
    const touched = new Set([titleId]);
    while (!copy.isComplete(titleId)) await copy.step();
    for (const id of copy.checkProject().keys()) touched.add(id);
    const all = (proofer: Proofer): Finding[] =>
      [...touched].flatMap((id) => {
        const one = proofer.titles.get(id);
        return one === undefined ? [] : findingsOf(one);
      });
    return outcomeOf(trial, all(this), all(copy));
  }

  /** The title that is worked on: it is proofed before the others. */
  focus(titleId: string | null): void {
    this.focused = titleId;
  }

  /** Whether a title has been looked at in everything, in every delivery. */
  isComplete(titleId: string): boolean {
    const one = this.titles.get(titleId);
    return one !== undefined && one.words !== null && this.dueDelivery(one) === null;
  }

  get progress(): ProofProgress {
    const deliveries = this.around?.plan.deliveries.length ?? 0;
    let done = 0;
    for (const { words, layouts } of this.titles.values()) done += (words === null ? 0 : 1) + layouts.size;
    return { done, total: this.titles.size * (1 + deliveries) };
  }

  /** Does a little of what is left. Gives the titles whose findings are new, with all they have; null when all is done. */
  async step(): Promise<ReadonlyMap<string, readonly Finding[]> | null> {
    const focused = this.focused === null ? undefined : this.titles.get(this.focused);
    if (focused !== undefined && focused.words === null) return this.checkWords([focused]);
    const ahead = focused === undefined ? null : this.dueDelivery(focused);
    if (focused !== undefined && ahead !== null) return this.checkLayout(focused, ahead);
    const due = this.inOrder((one) => one.words === null, WORDS_AT_ONCE);
    if (due.length > 0) return this.checkWords(due);
    if (this.projectDue) return this.checkProject();
    const [next] = this.inOrder((one) => this.dueDelivery(one) !== null, 1);
    const delivery = next === undefined ? null : this.dueDelivery(next);
    if (next !== undefined && delivery !== null) return this.checkLayout(next, delivery);
    return this.coversMoved ? this.checkProject() : null;
  }

  private take(title: Title, number: number, all: boolean, elsewhere: boolean): void {
    const before = this.titles.get(title.id);
    const moved = before?.title !== title && !sameValue(before?.title, title);
    const asks = before === undefined || moved || elsewhere || title.caption !== undefined;
    const around = asks ? this.dependsOn(title) : before.around;
    const same = before !== undefined && !all && !moved && sameValue(around, before.around);
    if (same && before.number === number) return;
    // A title that has another number only has other words where a field counts.
    if (same && before.context?.template.fields.every(({ automatic }) => automatic !== 'number') === true) {
      before.number = number;
      return;
    }
    const project = before?.project ?? [];
    const known = new Map([...(before?.earlier ?? []), ...(before?.layouts ?? [])]);
    const present = this.around?.plan.deliveries ?? [];
    const earlier = new Map(present.map(({ id }) => [id, known.get(id) ?? []]));
    const fresh = { layouts: new Map(), earlier, covers: new Map(), project };
    this.titles.set(title.id, { title, number, context: null, around, words: null, ...fresh });
  }

  /** Words that are known changed: words are looked at again, and layouts only where a delivery has words of its own. */
  private spellAgain(meant: (one: Proofed) => boolean): void {
    for (const [id, one] of this.titles) {
      if (!meant(one)) continue;
      const own = one.title.perDelivery;
      const layouts = [...one.layouts].filter(
        ([delivery]) => Object.keys(own[delivery]?.values ?? {}).length === 0,
      );
      // A new object: what is being looked at now is not put into it.
      this.titles.set(id, {
        ...one,
        context: null,
        words: null,
        layouts: new Map(layouts),
        earlier: one.layouts,
      });
    }
  }

  /** What a title's findings depend on besides itself and the rules. */
  private dependsOn(title: Title): readonly unknown[] {
    const reach = 50;
    const wide = { startFrame: title.startFrame - reach, lengthFrames: title.lengthFrames + 2 * reach };
    const { clips = [], editions, newest } = this.around ?? {};
    const edition = editions?.get(title.editionId);
    const newestId = edition && newest?.get(edition.templateId)?.id;
    // Where a caption stands follows from the titles that it is on screen with.
    const beside = title.caption === undefined ? [] : this.shownTitles.meeting(title);
    const under = this.clipIndex.meeting(wide);
    return [edition?.id, newestId, clips.length === 0, ...under, ...beside];
  }

  private inOrder(due: (one: Proofed) => boolean, most: number): Proofed[] {
    const found: Proofed[] = [];
    for (const id of this.order) {
      const one = this.titles.get(id);
      if (one === undefined || !due(one)) continue;
      found.push(one);
      if (found.length === most) break;
    }
    return found;
  }

  private dueDelivery({ layouts }: Proofed): Delivery | null {
    return this.around?.plan.deliveries.find(({ id }) => !layouts.has(id)) ?? null;
  }

  private checkWords(list: readonly Proofed[]): ReadonlyMap<string, readonly Finding[]> {
    for (const one of list) {
      one.context =
        this.around === null ? null : titleContext(one.title, one.number, this.around, this.tools);
      const { context } = one;
      one.words =
        context === null
          ? tell('edition', one.title.id, null, [NO_TEMPLATE])
          : this.checksOf('title', one.title).flatMap((check) =>
              tell(check.id, one.title.id, null, check.run(context)),
            );
      // Without its edition there is nothing to lay out.
      if (context === null) for (const { id } of this.around?.plan.deliveries ?? []) one.layouts.set(id, []);
    }
    return new Map(list.map((one) => [one.title.id, findingsOf(one)]));
  }

  private async checkLayout(
    one: Proofed,
    delivery: Delivery,
  ): Promise<ReadonlyMap<string, readonly Finding[]>> {
    const found = await this.layoutFindings(one, delivery);
    // It may have been changed while pictures were waited for.
    if (this.titles.get(one.title.id) === one) {
      one.layouts.set(delivery.id, found);
      if (one.covers.has(delivery.id)) this.coversMoved = true;
    }
    return new Map([[one.title.id, findingsOf(one)]]);
  }

  private async layoutFindings(one: Proofed, delivery: Delivery): Promise<readonly Finding[]> {
    const { around } = this;
    const title = titleIn(one.title, delivery.id);
    if (around === null || title === null) return [];
    const context =
      title === one.title ? one.context : titleContext(title, one.number, around, this.tools, delivery.id);
    if (context === null) return [];
    try {
      const layout = this.placed(layoutContext(context, delivery, around, this.tools), around);
      const cover = wordsCover(layout.shown.compiled);
      if (cover !== null) one.covers.set(delivery.id, cover);
      const found = context === one.context ? [] : this.ownWordFindings(one, context, delivery);
      for (const check of this.checksOf('layout', title))
        found.push(...tell(check.id, title.id, delivery.id, await this.runLayout(check, layout)));
      return found;
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      const detail = error.message;
      return [
        toFinding('fit', title.id, delivery.id, { tone: 'stop', message: 'cannot be laid out', detail }),
      ];
    }
  }

  /** A caption where it stands: above, when below it would stand on the words of a title. */
  private placed(layout: LayoutContext, around: ProofSurroundings): LayoutContext {
    const { cue, title, delivery } = layout;
    const { caption } = title;
    if (cue === null || caption === undefined || caption.atTop) return layout;
    const others = this.shownTitles.meeting(title).flatMap((other) => this.coverOf(other, delivery) ?? []);
    if (!standsAbove(cue, wordsCover(layout.shown.compiled), others)) return layout;
    const above = { ...title, caption: { ...caption, atTop: true } };
    return layoutContext({ ...layout, title: above }, delivery, around, this.tools);
  }

  /** What a title's words cover in a delivery, laid out for it where that was not done yet. */
  private coverOf({ id }: Title, delivery: Delivery): Rect | null {
    const one = this.titles.get(id);
    const known = one?.covers.get(delivery.id);
    if (one === undefined || known !== undefined || one.layouts.has(delivery.id)) return known ?? null;
    const title = titleIn(one.title, delivery.id);
    const context =
      this.around === null || title === null
        ? null
        : titleContext(title, one.number, this.around, this.tools, delivery.id);
    if (context === null || this.around === null) return null;
    const cover = wordsCover(layoutContext(context, delivery, this.around, this.tools).shown.compiled);
    if (cover !== null) one.covers.set(delivery.id, cover);
    return cover;
  }

  /** What checks of words find in a delivery with words of its own, and do not find in all of them. */
  private ownWordFindings(one: Proofed, context: TitleContext, { id }: Delivery): Finding[] {
    const { title } = one;
    if (sameValue(context.title.values, title.values)) return [];
    const everywhere = new Set(one.words?.map(({ check, message }) => `${check} ${message}`));
    return this.checksOf('title', title)
      .flatMap((check) => tell(check.id, title.id, id, check.run(context)))
      .filter(({ check, message }) => !everywhere.has(`${check} ${message}`));
  }

  private runLayout(check: CheckOf<'layout'>, context: LayoutContext): Promise<readonly Found[]> {
    if (check.wordless !== true) return Promise.resolve(check.run(context));
    const { title, template, timing, delivery, clips, rate } = context;
    // Which words do not matter, but whether there are any: one without has nothing to be looked at.
    const values = template.fields.map((field) =>
      isWords(field) ? String(context.values[field.id] ?? '').trim() === '' : title.values[field.id],
    );
    const lengths = [timing.inFrames, timing.outFrames, title.fadeInFrames, title.fadeOutFrames];
    const key = JSON.stringify([
      check.id,
      title.editionId,
      template.name,
      delivery,
      lengths,
      title.scrim,
      title.edge,
      title.moments,
      (title.credits?.rows.length ?? 0) > 0,
      title.credits?.wish,
      title.caption?.align,
      title.caption?.atTop,
      momentsUnder(clips, title.startFrame, title.startFrame + 1, rate).map(
        ({ picture, seconds }) => `${picture} ${seconds}`,
      ),
      context.timing.totalFrames,
      values,
    ]);
    const known = this.alike.get(key) ?? Promise.resolve(check.run(context));
    this.alike.set(key, known);
    return known;
  }

  private checkProject(): ReadonlyMap<string, readonly Finding[]> {
    this.projectDue = false;
    this.coversMoved = false;
    const seen = this.order.flatMap((id) => {
      const one = this.titles.get(id);
      return one === undefined || one.context === null ? [] : [{ context: one.context, covers: one.covers }];
    });
    const byTitle = new Map<string, Finding[]>();
    for (const check of this.checksOf('project')) {
      for (const [id, found] of check.run(seen)) {
        const list = byTitle.get(id) ?? [];
        list.push(...tell(check.id, id, null, found));
        byTitle.set(id, list);
      }
    }
    const changed = new Map<string, readonly Finding[]>();
    for (const [id, one] of this.titles) {
      const project = byTitle.get(id) ?? [];
      if (sameValue(one.project, project)) continue;
      one.project = project;
      changed.set(id, findingsOf(one));
    }
    return changed;
  }

  /** The checks of a kind that the House makes, for a title or for all. */
  private checksOf<K extends Check['kind']>(kind: K, title?: Title): CheckOf<K>[] {
    const off = this.around?.house.checks.off ?? [];
    const other = title === undefined ? null : title.caption === undefined ? 'captions' : 'titles';
    return (this.tools.checks ?? CHECKS.list).filter(
      (check): check is CheckOf<K> =>
        check.kind === kind && (check.of === undefined || check.of !== other) && !off.includes(check.id),
    );
  }
}

const NO_TEMPLATE: Found = {
  tone: 'unseen',
  subject: 'none',
  message: 'not looked at: no template',
  detail: 'The template of this title is not here, so nothing of it could be looked at.',
};

function tell(check: string, titleId: string, deliveryId: string | null, found: readonly Found[]): Finding[] {
  return found.map((one) => toFinding(check, titleId, deliveryId, one));
}

/** All findings of a title, what must be fixed first; what is the same in several deliveries stands once for each. */
function findingsOf({ words, layouts, earlier, project }: Proofed): readonly Finding[] {
  const all = [...(words ?? []), ...project, ...[...new Map([...earlier, ...layouts]).values()].flat()];
  return worstFirst(all);
}

function sameRules(a: ProofSurroundings, b: ProofSurroundings): boolean {
  return (
    a.house === b.house &&
    // From another thread they are new objects each time.
    sameValue(a.plan.deliveries, b.plan.deliveries) &&
    a.plan.language === b.plan.language &&
    sameValue(a.plan.clock, b.plan.clock) &&
    a.projectName === b.projectName &&
    a.rate === b.rate
  );
}
