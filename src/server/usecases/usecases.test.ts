import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { NewsItem } from '@/contract/news';
import { DEMO_PICTURES } from '../../../demo/pictures';
import { DEMO_PROJECT_ID } from '../../../demo/seed';
import { tidelineStrap } from '../../../demo/templates';
import { newPlan } from '@/core/model/plan';
import { newTitle } from '@/core/model/project';
import { InputError } from '@/core/kit/inputError';
import { StaleWriteError } from '@/db/staleWrite';
import { encodePng } from '../press/pictures/png';
import type { ReceivedFile } from '../incoming/receiveBody';
import { NotFoundError } from '../respond';
import { receivedIn } from '../testing/received';
import { workshop } from '../workshop';
import { assetFile, getAssets, takeInPicture } from './assets';
import { getHouse, putHouse, spreadFinish } from './house';
import { mediaFile, takeInVideo } from './media';
import { copyProject, getProject, getProjects, putChanges, putSettings, startProject } from './projects';
import {
  copyTemplate,
  getShelf,
  getTemplate,
  getTemplates,
  putInFolders,
  putTemplate,
  release,
  startTemplate,
} from './templates';

let folder: string;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'gilder-usecases-'));
  process.env.GILDER_DATA = folder;
  await workshop();
});

afterAll(async () => {
  const { press, close } = await workshop();
  await press.stop();
  await close();
  rmSync(folder, { recursive: true });
});

const byTrack = (
  a: { startFrame: number; trackId: string },
  b: { startFrame: number; trackId: string },
): number => a.startFrame - b.startFrame || a.trackId.localeCompare(b.trackId);

const start = {
  name: 'Dock line',
  kind: 'name-strap',
  production: 'Night Ferry',
  format: 'wide-1080',
  rate: '50',
};

describe('templates', () => {
  test('are started with one text that is open to editors', async () => {
    const { document, revision, latestEdition } = await getTemplate(await startTemplate(start));
    expect(document).toMatchObject({ name: 'Dock line', rate: '50', formats: ['wide-1080'] });
    expect(document.fields.map((field) => field.label)).toEqual(['Text']);
    expect([revision, latestEdition]).toEqual([1, 0]);
  });

  test.each([
    [{ ...start, name: '' }, /New template, name: needs/],
    [{ ...start, rate: '26' }, /New template, rate: needs one of/],
    [{ ...start, kind: 'hologram' }, /New template, kind: needs one of/],
    [{ ...start, start: 'seven-lines' }, /New template, start: needs one of/],
    [{ ...start, copyOf: 'nowhere' }, /There is no template "nowhere"/],
    [{ ...start, secret: 1 }, /no unknown properties/],
  ])('%j is refused', async (body, message) => {
    await expect(startTemplate(body)).rejects.toThrow(message);
  });

  test('begin with a lower third of two lines, or as a copy of another under a name of their own', async () => {
    const id = await startTemplate({ ...start, start: 'two-lines' });
    const two = (await getTemplate(id)).document;
    expect(two.fields.map(({ label }) => label)).toEqual(['Name', 'Role']);
    const copy = await startTemplate({
      ...start,
      name: 'Pier line',
      production: 'Kiln and Clay',
      copyOf: id,
    });
    expect((await getTemplate(copy)).document).toEqual({
      ...two,
      name: 'Pier line',
      production: 'Kiln and Clay',
    });
  });

  test('are saved, released, and stand on the shelf with their newest edition', async () => {
    const id = await startTemplate({ ...start, name: 'Shelved' });
    const { document } = await getTemplate(id);
    expect(await putTemplate(id, { revision: 1, document: { ...document, description: 'One line' } })).toBe(
      2,
    );
    await expect(release(id, { revision: 1 })).rejects.toBeInstanceOf(StaleWriteError);
    expect(await release(id, { revision: 2 })).toBe(1);
    const entry = (await getShelf()).find((one) => one.templateId === id);
    expect(entry).toMatchObject({ number: 1, totalUses: 0, description: 'One line' });
  });

  test('that cannot be laid out are refused, and nothing is changed', async () => {
    const id = await startTemplate({ ...start, name: 'Circle' });
    const { document } = await getTemplate(id);
    const [text] = document.layers;
    const place = { ...text.place, target: { kind: 'layer', layerId: 'b' } };
    const other = {
      ...text,
      id: 'b',
      name: 'Other',
      place: { ...text.place, target: { kind: 'layer', layerId: text.id } },
    };
    const circle = { ...document, layers: [{ ...text, place }, other] };
    await expect(putTemplate(id, { revision: 1, document: circle })).rejects.toThrow(
      /"Text 1" → "Other" → "Text 1"/,
    );
    expect((await getTemplate(id)).revision).toBe(1);
  });

  test('without layers are not released', async () => {
    const id = await startTemplate({ ...start, name: 'Empty' });
    const { document } = await getTemplate(id);
    await putTemplate(id, { revision: 1, document: { ...document, layers: [], fields: [] } });
    await expect(release(id, { revision: 2 })).rejects.toThrow(/needs at least one layer/);
  });

  test('are copied as they stand, under a name of their own', async () => {
    const copy = await getTemplate(await copyTemplate('tideline-strap'));
    expect(copy).toMatchObject({ revision: 1, latestEdition: 0, document: { name: 'Tideline strap copy' } });
    const { document } = await getTemplate('tideline-strap');
    expect(copy.document).toEqual({ ...document, name: 'Tideline strap copy' });
  });

  test('go into folders at once, all or none, on bench and shelf, with their copies, and without a change', async () => {
    const before = await getTemplate('tideline-strap');
    const foldersOf = async (id: string): Promise<readonly (string | undefined)[]> => [
      (await getTemplates()).find((one) => one.id === id)?.folder,
      (await getShelf()).find((one) => one.templateId === id)?.folder,
    ];
    const to = (folder: string, ...ids: string[]) => ({ moves: ids.map((id) => ({ id, folder })) });
    await putInFolders(to('News/Evening', 'tideline-strap', 'place-corner'));
    expect(await foldersOf('tideline-strap')).toEqual(['News/Evening', 'News/Evening']);
    expect(await foldersOf('place-corner')).toEqual(['News/Evening', 'News/Evening']);
    expect(await getTemplate('tideline-strap')).toEqual(before);
    const copy = await copyTemplate('tideline-strap');
    expect((await foldersOf(copy))[0]).toBe('News/Evening');
    await expect(putInFolders(to('Late', 'tideline-strap', 'gone'))).rejects.toBeInstanceOf(NotFoundError);
    await expect(putInFolders(to(' Late', 'tideline-strap'))).rejects.toThrow(/folder/);
    await expect(putInFolders(to('a/b/c/d/e/f', 'tideline-strap'))).rejects.toThrow(/at most 5/);
    await expect(putInFolders({ moves: [] })).rejects.toThrow(/moves/);
    expect(await foldersOf('tideline-strap')).toEqual(['News/Evening', 'News/Evening']);
    // What is kept anew stays where it is.
    const { document, revision } = await getTemplate(copy);
    await putTemplate(copy, { revision, document: { ...document, name: 'Kept anew' } });
    expect((await foldersOf(copy))[0]).toBe('News/Evening');
    await putInFolders(to('', 'tideline-strap', 'place-corner'));
    expect(await foldersOf('place-corner')).toEqual(['', '']);
  });

  test('that do not exist are said not to', async () => {
    await expect(getTemplate('gone')).rejects.toBeInstanceOf(NotFoundError);
    await expect(copyTemplate('gone')).rejects.toBeInstanceOf(NotFoundError);
    await expect(putTemplate('gone', { revision: 1, document: tidelineStrap })).rejects.toBeInstanceOf(
      NotFoundError,
    );
  });
});

describe('projects', () => {
  test('start empty, or with each stand-in picture once where that is asked for', async () => {
    const asked = { name: 'Night Ferry', production: '', format: 'classic-576', rate: '25' };
    expect((await getProject(await startProject(asked))).clips).toEqual([]);
    await expect(startProject({ ...asked, standIns: 'yes' })).rejects.toThrow(
      /standIns: needs true or false/,
    );
    const { clips, titles } = await getProject(await startProject({ ...asked, standIns: true }));
    expect(titles).toEqual([]);
    expect(clips.map((clip) => clip.startFrame)).toEqual([0, 300, 600, 900, 1200]);
    expect((await getProjects()).map((project) => project.name)).toContain('Night Ferry');
  });

  test('change their name, format and rate; everything keeps its time', async () => {
    const id = await copyProject(DEMO_PROJECT_ID);
    const before = await getProject(id);
    const settings = { ...before.settings, name: 'Faster', rate: '50', format: 'wide-2160' };
    await putSettings(id, { settings });
    const after = await getProject(id);
    expect(after.settings).toEqual(settings);
    expect(after.plan.deliveries[0].format).toBe('wide-2160');
    expect(after.plan.deliveries.slice(1)).toEqual(before.plan.deliveries.slice(1));
    for (const kind of ['titles', 'clips', 'cues'] as const)
      expect(after[kind].map(({ startFrame, lengthFrames }) => [startFrame, lengthFrames])).toEqual(
        before[kind].map(({ startFrame, lengthFrames }) => [startFrame * 2, lengthFrames * 2]),
      );
    await expect(putSettings(id, { settings: { ...settings, rate: '26' } })).rejects.toThrow(/rate/);
    await expect(putSettings('gone', { settings })).rejects.toBeInstanceOf(NotFoundError);
  });

  test('are copied with all that is in them, and the copy goes its own way', async () => {
    const from = await getProject(DEMO_PROJECT_ID);
    const copy = await getProject(await copyProject(DEMO_PROJECT_ID));
    expect(copy.settings).toEqual({ ...from.settings, name: `${from.settings.name}, copy` });
    const plain = (project: typeof from) => ({
      titles: project.titles.map(({ id: _, revision: __, ...title }) => title),
      clips: project.clips.map(({ id: _, revision: __, ...clip }) => clip),
      // Cues that come at one time have no order among one another.
      cues: project.cues.map(({ id: _, revision: __, ...cue }) => cue).sort(byTrack),
    });
    expect(plain(copy)).toEqual(plain(from));
    const ids = new Set(from.titles.map(({ id }) => id));
    expect(copy.titles.every(({ id }) => !ids.has(id))).toBe(true);
    expect(copy.cues).toHaveLength(52);
    expect(new Set([...from.cues, ...copy.cues].map(({ id }) => id)).size).toBe(104);
    await expect(copyProject('gone')).rejects.toBeInstanceOf(NotFoundError);
  });

  test('a copy has what was decided about findings of its titles and cues', async () => {
    const id = await copyProject(DEMO_PROJECT_ID);
    const { titles, cues, plan, planRevision } = await getProject(id);
    const cue = cues.find(({ words }) => words.startsWith('Dry enough'));
    const keys = [`spelling ${titles[0].id} lede`, `caption-pace ${cue?.id} fast`];
    const setAside = keys.map((key) => ({ key, reason: 'Right' }));
    const value = { ...plan, setAside };
    await putChanges(id, { plan: { value, revision: planRevision } });
    const copy = await getProject(await copyProject(id));
    const own = copy.cues.find(({ words }) => words.startsWith('Dry enough'));
    expect(own?.id).not.toBe(cue?.id);
    expect(copy.plan.setAside.map(({ key }) => key)).toEqual([
      `spelling ${copy.titles[0].id} lede`,
      `caption-pace ${own?.id} fast`,
    ]);
  });

  test('bring the editions that their titles use, and the newest of each template', async () => {
    expect(await release('place-corner', { revision: 1 })).toBe(2);
    const { editions } = await getProject(DEMO_PROJECT_ID);
    const corner = editions
      .filter((edition) => edition.templateId === 'place-corner')
      .map((edition) => edition.number);
    expect(corner.toSorted()).toEqual([1, 2]);
  });

  test.each([
    [{ titles: { put: 'all', remove: [] } }, /Request, Title, put: needs a list/],
    [{ titles: { put: [], remove: [{ id: 4, revision: 1 }] } }, /Removed title 1, id: needs an id/],
    [{ titles: { put: [{ value: {}, revision: null }] } }, /Title 1, id: needs/],
    [{ titles: { put: [{ value: null, revision: null }] } }, /Title 1: needs/],
    [
      { clips: { put: [{ value: { picture: 'https://x' }, revision: 1 }] } },
      /Clip 1, picture: needs a stand-in/,
    ],
    [{ cues: { put: [{ value: { id: 'q', words: 4 }, revision: null }] } }, /Cue 1, trackId: needs/],
    [
      {
        plan: {
          value: {
            ...newPlan('wide-1080'),
            captions: [{ id: 'en', name: 'English', language: 'en', editionId: 'gone' }],
          },
          revision: 1,
        },
      },
      /Captions "English", editionId: needs an edition that exists/,
    ],
    [{ plan: { value: { deliveries: [] }, revision: 0 } }, /Plan, deliveries: needs the master first/],
    [{ plan: { value: newPlan('wide-1080'), revision: 'one' } }, /Plan, revision: needs a whole number/],
  ])('changes such as %j are refused', async (body, message) => {
    await expect(putChanges(DEMO_PROJECT_ID, body)).rejects.toThrow(message);
  });

  test('are told to whoever listens, with the desk that made them', async () => {
    const heard: NewsItem[] = [];
    const stop = (await workshop()).news.subscribe((item) => heard.push(item));
    await putChanges(DEMO_PROJECT_ID, { by: 'desk-1' });
    stop();
    await putChanges(DEMO_PROJECT_ID, { by: 'desk-2' });
    expect(heard).toEqual([{ kind: 'project', projectId: DEMO_PROJECT_ID, by: 'desk-1' }]);
  });

  test('a title of an edition that does not exist is refused', async () => {
    const value = newTitle({ id: 'x', editionId: 'gone', startFrame: 0, lengthFrames: 50, lane: 0 });
    const change = putChanges(DEMO_PROJECT_ID, { titles: { put: [{ value, revision: null }] } });
    await expect(change).rejects.toThrow(/editionId: needs an edition that exists, found "gone"/);
  });
});

describe('stills', () => {
  const png = encodePng(new Uint8Array(8 * 6 * 4).fill(200), 8, 6);

  test('are kept once, however often they are brought in, and come back as they were', async () => {
    const first = await takeInPicture('weir.png', png);
    const second = await takeInPicture('again.png', png);
    expect(second).toEqual({ ...first, isNew: false });
    expect(first).toMatchObject({ mediaType: 'image/png', widthPx: 8, heightPx: 6, isNew: true, notes: [] });
    expect(await getAssets()).toHaveLength(DEMO_PICTURES.length + 1);
    const back = await (await assetFile(ask(), first.id)).arrayBuffer();
    expect(Buffer.from(back).equals(png)).toBe(true);
  });

  test.each([
    ['weir.jpg', png, /needs a name that ends in \.png, since it is image\/png/],
    ['notes.png', Buffer.from('not a picture at all'), /needs a PNG, JPEG, WebP or SVG picture/],
    [
      'font.png',
      readFileSync('public/fonts/fraunces-400.ttf'),
      /needs a PNG, JPEG, WebP or SVG picture, found font\/ttf/,
    ],
    ['half.png', png.subarray(0, 40), /needs a picture that is whole/],
    ['empty.png', Buffer.alloc(0), /needs a picture, found an empty file/],
  ])('%s is refused', async (name, bytes, message) => {
    await expect(takeInPicture(name, bytes)).rejects.toThrow(InputError);
    await expect(takeInPicture(name, bytes)).rejects.toThrow(message);
  });
});

const received = (bytes: Buffer): Promise<ReceivedFile> => receivedIn(join(folder, 'incoming'), bytes);
const ask = (headers: Record<string, string> = {}): Request => new Request('http://127.0.0.1/', { headers });

describe('videos', () => {
  const webm = (): Buffer => {
    const path = join(folder, 'made.webm');
    const source = ['-f', 'lavfi', '-i', 'testsrc=size=64x36:rate=5:duration=0.4'];
    execFileSync('ffmpeg', ['-v', 'error', ...source, '-c:v', 'libvpx-vp9', path]);
    return readFileSync(path);
  };

  test('are kept once by their content, and come back as they were', async () => {
    const bytes = webm();
    const first = await takeInVideo('a.webm', await received(bytes));
    const again = await takeInVideo('b.webm', await received(bytes));
    expect(again).toEqual(first);
    const { mediaFolder } = await workshop();
    expect(readdirSync(mediaFolder)).toHaveLength(1);
    const answer = await mediaFile(ask(), first.id);
    expect(answer.headers.get('Content-Type')).toBe('video/webm');
    expect(Buffer.from(await answer.arrayBuffer()).equals(bytes)).toBe(true);
  });

  test('that are none are refused, and nothing of them stays', async () => {
    const { mediaFolder } = await workshop();
    const before = readdirSync(mediaFolder);
    const file = await received(Buffer.from('no video'));
    await expect(takeInVideo('x.mp4', file)).rejects.toThrow(
      /File "x.mp4": needs a video: MP4, MOV, WebM or MXF/,
    );
    expect(readdirSync(mediaFolder)).toEqual(before);
    await expect(mediaFile(ask(), '../../etc/passwd')).rejects.toBeInstanceOf(NotFoundError);
  });
});

test('a new template starts with the safe areas of the house', async () => {
  const { document, revision } = await getHouse();
  const areas = [{ format: 'wide-1080', left: 0.2, top: 0.1, right: 0.2, bottom: 0.1 }];
  const next = await putHouse({ revision, document: { ...document, areas } });
  const start = { name: 'Strap', kind: 'name-strap', production: '', format: 'wide-1080', rate: '25' };
  expect((await getTemplate(await startTemplate(start))).document.areas).toEqual(areas);
  await putHouse({ revision: next, document });
});

describe('a finish of the house', () => {
  const finish = { id: 'rope', name: 'Rope', kind: 'text' as const };

  test('that is changed goes on to every template that has it, save the one that is open', async () => {
    const ids = await Promise.all([startTemplate(start), startTemplate(start), startTemplate(start)]);
    const [open, other, without] = ids;
    const { document: house, revision } = await getHouse();
    const styled = (await getTemplate(open)).document.layers[0];
    if (styled.kind !== 'text') throw new Error('a new template has a text');
    const { look, style, highlight } = styled;
    const gold = { ...style, fill: '#e3b94f' };
    await putHouse({
      revision,
      document: { ...house, finishes: [...house.finishes, { ...finish, look, style: gold, highlight }] },
    });
    for (const id of [open, other]) {
      const { document, revision: before } = await getTemplate(id);
      const layers = document.layers.map((layer, i) => (i === 0 ? { ...layer, finish: 'rope' } : layer));
      await putTemplate(id, { revision: before, document: { ...document, layers } });
    }
    expect(await spreadFinish('rope', open)).toHaveLength(1);
    const fills = await Promise.all(
      [open, other, without].map(async (id) => {
        const [layer] = (await getTemplate(id)).document.layers;
        return layer.kind === 'text' ? layer.style.fill : '';
      }),
    );
    expect(fills).toEqual([style.fill, '#e3b94f', style.fill]);
    // Once is enough.
    expect(await spreadFinish('rope', open)).toEqual([]);
  });

  test('that does not exist is refused', async () => {
    await expect(spreadFinish('no-such', null)).rejects.toThrow(/Finish: needs a finish of the house/);
  });
});

describe('the house', () => {
  test('is told to whoever listens; an older state and nonsense change nothing', async () => {
    const { news } = await workshop();
    const heard: NewsItem[] = [];
    const stop = news.subscribe((item) => heard.push(item));
    const before = await getHouse();
    await putHouse({ revision: before.revision, document: before.document });
    await expect(putHouse({ revision: before.revision, document: before.document })).rejects.toBeInstanceOf(
      StaleWriteError,
    );
    await expect(putHouse({ revision: 'new', document: before.document })).rejects.toBeInstanceOf(InputError);
    const wrong = { ...before.document, colours: [{ id: 'x', name: 'X', colour: '#abc' }] };
    await expect(putHouse({ revision: before.revision + 1, document: wrong })).rejects.toThrow(/colour/);
    stop();
    expect(heard).toEqual([{ kind: 'house' }]);
    expect((await getHouse()).document).toEqual(before.document);
  });
});
