import { newTitle } from '@/core/model/project';
import { newPlan } from '@/core/model/plan';
import type { Work } from '@/core/project/work';
import { createDeskStore, updateTitle } from '@/ui/desk/deskStore';
import { report, time } from './measure';

const TITLES = 5000;
const STEPS = 200;

/** What another desk's change costs a desk of many titles and a full history, and what a step of its own costs. */
export function benchDrafts(): void {
  console.log(`\nDrafts: a desk of ${TITLES} titles after ${STEPS} steps`);
  const titles = Array.from({ length: TITLES }, (_, i) =>
    newTitle({
      id: `t${i}`,
      editionId: 'e',
      startFrame: i * 100,
      lengthFrames: 90,
      lane: 0,
      values: { name: `Name ${i}` },
    }),
  );
  const work: Work = { titles, clips: [], cues: [], plan: newPlan('wide-1080') };
  const store = createDeskStore(work);
  let step = 0;
  const apply = (): void => {
    const id = `t${(step * 37) % TITLES}`;
    step++;
    store.getState().apply((now) => updateTitle(now, id, { values: { name: `Step ${step}` } }));
  };
  for (let i = 0; i < STEPS; i++) apply();
  let foreign = 0;
  const rebaseMs = time(() => {
    foreign++;
    store.rebase((now) => ({
      ...now,
      titles: updateTitle(now.titles, 't9', { values: { name: `F ${foreign}` } }),
    }));
  }, 15);
  report('a foreign change of one cell', `${rebaseMs.toFixed(2)} ms`, 'below 50 ms');
  report('a step of its own', `${time(apply, 15).toFixed(2)} ms`);
  const { undo, redo } = store.temporal.getState();
  report('undo and redo', `${time(() => (undo(), redo()), 15).toFixed(2)} ms`);
}
