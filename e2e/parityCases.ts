import { DEMO_TEMPLATES } from '../demo/templates';
import { moveTemplate } from '../demo/moveTemplate';
import type { DisplayList } from '@/core/display/list';
import type { FieldValues } from '@/core/model/template';
import { FORMATS } from '@/core/frame/formats';
import { MOVES } from '@/core/moves';
import { SCENES } from '@/core/scenes';
import { sceneItems } from '@/core/scenes/scene';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { compile } from '@/core/timeline/compile';
import { designFrames, stretchTiming } from '@/core/titleTime/stretch';
import { frameToSeconds, RATES } from '@/core/time/rates';

/** A picture that browser and server must paint alike: a demo template at a frame, or a scene at a time. */
export type ParityCase =
  | {
      readonly template: string;
      readonly format: string;
      readonly frame: number;
      readonly values: FieldValues;
    }
  | { readonly scene: string; readonly seconds: number }
  | { readonly move: string; readonly seconds: number; readonly shutterDegrees: number };

const SCRIPTS: readonly FieldValues[] = [
  {},
  { name: 'نور الهلالي', role: 'مرشدة المد والجزر', place: 'नौका', title: 'सीमा घाटे' },
];

/** Every demo template, moving in, at rest and moving out, in wide and standard definition, every scene and every move. */
export function parityCases(): ParityCase[] {
  const titles = DEMO_TEMPLATES.flatMap((template) => {
    const total = designFrames(template.timing, RATES.get(template.rate));
    const frames = [3, 8, 14, 20, Math.floor(total / 2), total - 14, total - 5];
    return ['wide-1080', 'classic-576'].flatMap((format) =>
      SCRIPTS.flatMap((values) =>
        frames.map((frame) => ({ template: template.name, format, frame, values })),
      ),
    );
  });
  const scenes = SCENES.list.map((scene) => ({ scene: scene.id, seconds: 2.3 }));
  const moves = MOVES.list.flatMap(({ id }) => [
    ...[0.2, 0.5, 2.6].map((seconds) => ({ move: id, seconds, shutterDegrees: 0 })),
    { move: id, seconds: 0.3, shutterDegrees: 180 },
  ]);
  return [...titles, ...scenes, ...moves];
}

/** The display list of a case. */
export function parityList(one: ParityCase, fonts: FontLibrary): DisplayList {
  if ('scene' in one) {
    const format = FORMATS.get('wide-720');
    return { ...format, items: sceneItems(SCENES.get(one.scene), one.seconds, format) };
  }
  if ('move' in one) {
    const template = moveTemplate(MOVES.get(one.move), { shutterDegrees: one.shutterDegrees });
    const title = compile(template, {}, FORMATS.get('wide-720'), fonts);
    return title.frame(one.seconds, stretchTiming(template.timing, 75, RATES.get('25')));
  }
  const template = DEMO_TEMPLATES.find((candidate) => candidate.name === one.template);
  if (template === undefined) throw new Error(`no template ${one.template}`);
  const rate = RATES.get(template.rate);
  const title = compile(template, one.values, FORMATS.get(one.format), fonts);
  return title.frame(
    frameToSeconds(one.frame, rate),
    stretchTiming(template.timing, designFrames(template.timing, rate), rate),
  );
}
