import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Toaster } from 'sonner';
import type { FileFacts, JobSummary, PressPage } from '@/contract/jobs';
import { jsonAnswer, renderScreen } from '../shared/forTest';
import { PressScreen } from './PressScreen';

const file = (name: string, more: Partial<FileFacts> = {}): FileFacts =>
  ({
    name,
    bytes: 2_500_000,
    frames: 150,
    framesPainted: 90,
    widthPx: 1920,
    heightPx: 1080,
    codec: 'prores',
    alphaErrorMax: 0,
    colourErrorMean: 0,
    colourErrorMax: 0,
    comparedFrames: 3,
    ...more,
  }) as FileFacts;
const job = (id: string, more: Partial<JobSummary> = {}): JobSummary =>
  ({
    id,
    name: 'Lantern Regatta, titles',
    output: 'prores-mov',
    format: 'wide-1080',
    rate: '25',
    titleCount: 2,
    papers: [],
    handover: null,
    keep: false,
    filesGone: null,
    status: 'queued',
    progress: { doneFrames: 0, totalFrames: 300 },
    files: [],
    failures: [],
    error: null,
    createdAt: '2026-11-25T10:00:00.000Z',
    startedAt: null,
    finishedAt: null,
    ...more,
  }) as JobSummary;

/** What the server sends, sent by hand. */
class Events {
  static latest: Events | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  onopen: (() => void) | null = null;

  constructor() {
    Events.latest = this;
  }

  close(): void {
    Events.latest = null;
  }
}

let asked: string[];
let known: readonly JobSummary[];
/** The machines that the server knows of. */
let there: PressPage['machines'];
const before = globalThis.fetch;
beforeEach(() => {
  asked = [];
  known = [];
  there = null;
  Object.defineProperty(globalThis, 'EventSource', { configurable: true, value: Events });
  globalThis.fetch = (url, request) => {
    asked.push(`${request?.method ?? 'GET'} ${String(url)}`);
    return Promise.resolve(
      jsonAnswer(200, { jobs: known, hasMore: false, ffmpeg: true, filesDays: null, machines: there }),
    );
  };
});
afterEach(() => {
  globalThis.fetch = before;
});
const hear = (one: JobSummary): void => act(() => Events.latest?.onmessage?.({ data: JSON.stringify(one) }));
const open = (jobs: readonly JobSummary[], more: Partial<PressPage> = {}): void => {
  const page = { jobs, hasMore: false, ffmpeg: true, filesDays: null, machines: there, ...more };
  renderScreen('/press', <PressScreen {...page} />);
};

describe('the press', () => {
  test('says what to do when nothing was sent, and what cannot be made without ffmpeg', () => {
    open([], { ffmpeg: false });
    expect(screen.getByText(/^Nothing has been sent to the press yet/)).toBeInTheDocument();
    expect(screen.getByRole('alert')).toHaveTextContent('There is no ffmpeg on this machine');
  });

  test('says which machines make titles as they come and go, and nothing where no other can be', async () => {
    open([]);
    expect(screen.queryByText(/at once/)).toBeNull();
    cleanup();
    jest.useFakeTimers();
    there = [{ id: 'a', name: 'loft', lanes: 0 }];
    open([]);
    expect(screen.getByRole('alert')).toHaveTextContent('No machine makes titles at the moment');
    there = [...there, { id: 'b', name: 'cellar', lanes: 3 }, { id: 'c', name: 'yard', lanes: 1 }];
    await act(() => jest.advanceTimersByTimeAsync(5000));
    expect(screen.getByText('2 machines, 4 titles at once: cellar (3), yard (1)')).toBeInTheDocument();
    expect(screen.queryByRole('alert')).toBeNull();
    jest.useRealTimers();
  });

  test('follows a job from waiting to done as the server tells it', () => {
    open([job('a')]);
    const card = screen.getByRole('article', { name: 'Lantern Regatta, titles' });
    expect(within(card).getByText('queued')).toBeInTheDocument();
    hear(job('a', { status: 'running', progress: { doneFrames: 120, totalFrames: 300, paintedFrames: 80 } }));
    expect(within(card).getByText('120 of 300 frames')).toBeInTheDocument();
    expect(within(card).getByRole('progressbar')).toHaveAttribute('aria-valuenow', '120');
    hear(job('a', { status: 'done', files: [file('ilse.mov'), file('bow.mov')] }));
    expect(within(card).queryByRole('progressbar')).toBeNull();
    expect(
      within(card)
        .getAllByRole('listitem')
        .map((item) => item.textContent),
    ).toEqual([expect.stringMatching(/^bow\.mov/), expect.stringMatching(/^ilse\.mov/)]);
    expect(within(card).getByRole('link', { name: 'Download ilse.mov' })).toHaveAttribute(
      'href',
      '/api/jobs/a/files/ilse.mov',
    );
  });

  test('that a job is over is said once, whatever else is told of it', async () => {
    open([
      job('a', { status: 'running' }),
      job('b', { status: 'done', endedAt: '2026-11-19T10:00:00.000Z' }),
    ]);
    render(<Toaster />);
    const done = { status: 'done', files: [file('ilse.mov')], endedAt: '2026-11-20T10:00:00.000Z' } as const;
    hear(job('b', { status: 'done', endedAt: '2026-11-19T10:00:00.000Z', keep: true }));
    hear(job('a', done));
    hear(job('a', { ...done, keep: true }));
    hear(job('a', { ...done, keep: false }));
    expect(await screen.findAllByText(/ready\.$/)).toHaveLength(1);
  });

  test('says until when files are there; they are kept, deleted and made again', async () => {
    const done = { status: 'done', files: [file('ilse.mov')], endedAt: '2026-11-20T10:00:00.000Z' } as const;
    open([job('a', done)], { filesDays: 30 });
    const card = screen.getByRole('article', { name: 'Lantern Regatta, titles' });
    expect(card).toHaveTextContent('files until 20 Dec 2026');
    const choose = async (item: RegExp): Promise<void> => {
      await userEvent.click(screen.getByRole('button', { name: 'What to do with Lantern Regatta, titles' }));
      await userEvent.click(screen.getByRole('menuitem', { name: item }));
    };
    await choose(/^Keep its files/);
    expect(asked).toContain('PUT /api/jobs/a/keep');
    hear(job('a', { ...done, keep: true }));
    expect(card).toHaveTextContent('files are kept');
    await choose(/^Delete its files/);
    expect(asked).toContain('DELETE /api/jobs/a/files');
    const filesGone = { at: '2026-11-21T10:00:00.000Z', files: 1, bytes: 2_500_000 };
    hear(job('a', { ...done, files: [], filesGone }));
    expect(card).toHaveTextContent('1 file (2.5 MB) deleted on 21 Nov 2026');
    expect(within(card).queryByRole('link')).toBeNull();
    await userEvent.click(within(card).getByRole('button', { name: 'Make again' }));
    expect(asked).toContain('POST /api/jobs/a/retry');
  });

  test('says where files were put, and what was in their way, to be tried again', async () => {
    const done = { status: 'done', files: [file('ilse.mov')], endedAt: '2026-11-20T10:00:00.000Z' } as const;
    const folder = { folder: 'osier/master', files: 0, error: null, at: null };
    open([job('a', { ...done, handover: { ...folder, status: 'waiting' } })]);
    const card = screen.getByRole('article', { name: 'Lantern Regatta, titles' });
    expect(card).toHaveTextContent('To be put into osier/master');
    const error = '“ilse.mov” is there already, and was changed there.';
    hear(job('a', { ...done, handover: { ...folder, status: 'failed', error } }));
    expect(within(card).getByRole('alert')).toHaveTextContent(`Nothing put into osier/master. ${error}`);
    await userEvent.click(within(card).getByRole('button', { name: 'Put again' }));
    expect(asked).toContain('POST /api/jobs/a/handover');
    hear(job('a', { ...done, handover: { ...folder, status: 'put', files: 2 } }));
    expect(card).toHaveTextContent('2 files put into osier/master and read back');
    expect(within(card).queryByRole('button', { name: 'Put again' })).toBeNull();
  });

  test('a job that was started elsewhere comes first; one that failed says why', () => {
    open([job('a')]);
    hear(job('b', { name: 'Night Ferry', status: 'failed', error: 'The disk is full. Nothing was kept.' }));
    const [first] = screen.getAllByRole('article');
    expect(first).toHaveAccessibleName('Night Ferry');
    expect(within(first).getByRole('alert')).toHaveTextContent('The disk is full.');
  });

  test('stops a job', async () => {
    open([job('a', { status: 'running' })]);
    await userEvent.click(screen.getByRole('button', { name: 'Stop' }));
    expect(asked).toContain('POST /api/jobs/a/cancel');
  });

  test('names the titles that could not be made, and tries them again when asked', async () => {
    const failures = [{ titleId: 't2', name: '002-teo', message: 'Unknown move "vanish"' }];
    const error = '1 of 2 titles could not be made.';
    open([job('a', { status: 'failed', error, failures, files: [file('001-ilse.mov', { reused: true })] })]);
    const list = screen.getByRole('list', { name: 'Titles that could not be made' });
    expect(list).toHaveTextContent('002-teo: Unknown move "vanish"');
    expect(screen.getByText(/1 of 1 files as made before/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(asked).toContain('POST /api/jobs/a/retry');
  });

  test('gives all files of a job at once', () => {
    open([job('a', { status: 'done', files: [file('a.mov'), file('b.mov')] })]);
    const link = screen.getByRole('link', { name: 'Download all 2' });
    expect(link).toHaveAttribute('href', '/api/jobs/a/zip');
  });

  test('looks at all jobs afresh when the connection is back', async () => {
    open([job('a', { status: 'running' })]);
    known = [job('a', { status: 'done', files: [file('ilse.mov')] })];
    act(() => Events.latest?.onopen?.());
    await waitFor(() => expect(screen.getByText('done')).toBeInTheDocument());
  });
});

describe('the viewer', () => {
  const done = job('a', {
    status: 'done',
    files: [
      file('ilse.mov'),
      file('bow.webm', { codec: 'vp9', alphaErrorMax: 3, colourErrorMean: 1.2, colourErrorMax: 41.5 }),
      file('still.png', { codec: 'png' }),
    ],
  });
  const viewer = (): HTMLElement => screen.getByRole('complementary', { name: 'Viewer' });

  test('shows the newest file and what it is, as read back from it', () => {
    open([done]);
    expect(within(viewer()).getByText('ProRes 4444')).toBeInTheDocument();
    expect(within(viewer()).getByText('150, of which 90 different')).toBeInTheDocument();
    expect(within(viewer()).getAllByText('exactly as painted')).toHaveLength(2);
    expect(within(viewer()).getByText('3 decoded frames with what was painted')).toBeInTheDocument();
    expect(within(viewer()).getByRole('img', { name: 'ilse.mov at rest' })).toBeInTheDocument();
  });

  test('plays what a browser plays, shows stills, over the ground that is chosen', async () => {
    const [stills, videos] = [true, false].map((still) =>
      done.files.filter(({ name }) => name.endsWith('.png') === still),
    );
    open([
      { ...done, files: videos },
      { ...done, id: 'b', output: 'png-still', files: stills },
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'bow.webm' }));
    expect(screen.getByLabelText('Video bow.webm')).toHaveAttribute(
      'src',
      '/api/jobs/a/files/bow.webm?inline',
    );
    expect(within(viewer()).getByText('within 3 of 255 of what was painted')).toBeInTheDocument();
    expect(
      within(viewer()).getByText('seen within 1.2 of 255 of what was painted at the mean, 41.5 at most'),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'still.png' }));
    expect(within(viewer()).queryByText('Rate')).toBeNull();
    expect(screen.getByRole('img', { name: 'Still still.png' })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: 'Black' }));
    expect(screen.getByRole('img', { name: 'Still still.png' }).parentElement).toHaveStyle({
      background: '#000000',
    });
  });

  test.each([
    [{ bits: 10, fine: true }, '10 bits a channel'],
    [{ bits: 8, fine: true }, '8 bits a channel, dithered from more'],
    [{ bits: 8 }, null],
  ])('says how many bits there are where they are not the usual ones: %j', (more, words) => {
    open([{ ...done, files: [file('deep.mov', more)] }]);
    const depth = within(viewer()).queryByText('Depth');
    if (words === null) expect(depth).toBeNull();
    else expect(depth?.nextElementSibling).toHaveTextContent(words);
  });

  test('says what it is for while nothing is finished', () => {
    open([job('a')]);
    expect(viewer()).toHaveTextContent('A finished file is shown here');
  });
});
