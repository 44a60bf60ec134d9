import type { Locator, Page } from '@playwright/test';
import type { Title } from '@/core/model/project';
import { newTitle } from '@/core/model/project';

/** Makes a project over HTTP and gives its id. */
export async function newProject(page: Page, url: string, name: string): Promise<string> {
  const settings = { name, production: '', format: 'wide-1080', rate: '25' };
  const made = await page.request.post(`${url}/api/projects`, { data: settings });
  const { id }: { id: string } = await made.json();
  return id;
}

const EDITIONS = ['tideline-strap-1', 'place-corner-1', 'opening-lockup-1'];

/** A title of many: seven of ten are lower thirds. */
export const strapTitle = (i: number, startFrame: number): Title =>
  newTitle({
    id: `t${i}`,
    editionId: EDITIONS[i % 10 < 7 ? 0 : i % 10 < 9 ? 1 : 2],
    startFrame,
    lengthFrames: 145,
    lane: 0,
    values: {
      name: `Guest ${i} Marrow`,
      role: 'Judge of the boats',
      place: `Pier ${i}`,
      when: 'low water',
      title: `Heat ${i}`,
      line: 'Day two',
    },
  });

/** The plan of a project as it was read, with a tall and a square delivery too. */
export function inThreeFormats(project: { plan: { deliveries: object[] }; planRevision: number }): object {
  const deliveries = [
    ...project.plan.deliveries,
    { id: 'tall', name: 'Tall', format: 'tall-1080', interlaced: false },
    { id: 'square', name: 'Square', format: 'square-1080', interlaced: false },
  ];
  return { value: { ...project.plan, deliveries }, revision: project.planRevision };
}

/** What is put into a project that has none of it. */
export const put = (list: readonly object[]): { readonly put: object[]; readonly remove: object[] } => ({
  put: list.map((value) => ({ value, revision: null })),
  remove: [],
});

/** Changes a project over HTTP. Throws what the server says against it. */
export async function change(page: Page, url: string, id: string, data: object): Promise<void> {
  const answer = await page.request.post(`${url}/api/projects/${id}/changes`, { data });
  if (!answer.ok()) throw new Error(await answer.text());
}

/** What the desk's proof says when nothing is left to look at. */
export const allLookedAt = (page: Page): Locator =>
  page.getByRole('status').filter({ hasText: 'All looked at' });
