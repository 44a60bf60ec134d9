import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { EditionRecord } from '@/contract/templates';
import { openingLockup, placeCorner, tidelineStrap } from '../../../demo/templates';
import type { Cue } from '@/core/model/captions';
import type { Plan } from '@/core/model/plan';
import { newPlan } from '@/core/model/plan';
import type { Clip, Title } from '@/core/model/project';
import { newTitle } from '@/core/model/project';
import type { Template } from '@/core/model/template';
import { RATES } from '@/core/time/rates';
import type { DeskView } from './deskContext';
import { DeskProvider } from './deskContext';
import { createDeskStore } from './deskStore';
import type { DeskUi } from './deskUi';
import { createDeskUi } from './deskUi';

const edition = (id: string, templateId: string, document: Template, number = 1): EditionRecord => ({
  id,
  templateId,
  number,
  document,
  releasedAt: '2026-11-25T00:00:00.000Z',
});

const strap = edition('strap-1', 'strap', tidelineStrap);
const newerStrap = edition('strap-2', 'strap', tidelineStrap, 2);
const corner = edition('corner-1', 'corner', placeCorner);
const lockup = edition('lockup-1', 'lockup', openingLockup);

/** A title of six seconds on the desk that tests use. */
export const deskTitle = (
  id: string,
  startFrame: number,
  values: Title['values'],
  editionId = 'strap-1',
): Title => newTitle({ id, editionId, startFrame, lengthFrames: 150, lane: 0, values });

interface DeskSetup {
  readonly titles: readonly Title[];
  readonly clips?: readonly Clip[];
  readonly cues?: readonly Cue[];
  readonly plan?: Plan;
  readonly ui?: Partial<DeskUi>;
  /** Other editions than those of the demo templates, the newest of a template last. */
  readonly editions?: readonly EditionRecord[];
}

/** A desk at 25 frames a second without a server: the strap has a second edition, the other templates one. */
export function createDeskView({
  titles,
  clips = [],
  cues = [],
  plan = newPlan('wide-1080'),
  ui,
  editions = [strap, newerStrap, corner, lockup],
}: DeskSetup): DeskView {
  return {
    projectId: 'p',
    settings: { name: 'P', production: '', format: 'wide-1080', rate: '25' },
    rate: RATES.get('25'),
    editions: new Map(editions.map((one) => [one.id, one])),
    newest: new Map(editions.map((one) => [one.templateId, one])),
    isShelfHere: true,
    addEdition: () => undefined,
    store: createDeskStore({ titles, clips, cues, plan }),
    ui: createDeskUi(ui),
  };
}

/** Draws a part of the desk. */
export function renderOnDesk(view: DeskView, part: ReactNode): ReturnType<typeof render> {
  return render(<DeskProvider value={view}>{part}</DeskProvider>);
}
