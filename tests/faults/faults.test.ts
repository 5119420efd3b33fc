// @vitest-environment jsdom
import { renderHook, waitFor } from '@testing-library/react';
import { createElement, type ReactNode } from 'react';
import { mutate, SWRConfig } from 'swr';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { BenchSnapshot, BuildRecord, KitItemsRecord, PaintRecord } from '../../src/api/index.ts';
import { seededRandom } from '../../src/core/seededRandom.ts';
import { testBench } from '../../src/server/testBench.ts';

/** What happens to a request on its way. */
type Fault = 'none' | 'lost' | 'answer lost' | 'twice' | 'late';
const FAULTS: readonly Fault[] = ['none', 'none', 'lost', 'answer lost', 'twice', 'late'];

const NOW = Date.UTC(2026, 5, 1, 12);
const BUILD = 'quillon';
const KIT = `/api/builds/${BUILD}/kit`;

/** A tab of the browser: the modules of the interface's data over a real server, with faults between them. */
async function openTab(base: string, fault: () => Fault) {
  vi.resetModules();
  localStorage.clear();
  await mutate(() => true, undefined, { revalidate: false });
  const send = globalThis.fetch;
  vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
    // The test itself asks in full, and without faults.
    if (path.startsWith(base)) return send(path, init);
    const what = init.method === 'GET' ? 'none' : fault();
    if (what === 'lost') throw new TypeError('lost on its way');
    if (what === 'late') await new Promise((resolve) => setTimeout(resolve, 15));
    if (what === 'twice') await Promise.all([send(base + path, init), send(base + path, init)]);
    const response = await send(base + path, init);
    if (what === 'answer lost') throw new TypeError('the answer was lost');
    return response;
  });
  const bench = await import('../../src/web/data/bench.ts');
  const kit = await import('../../src/web/data/kit.ts');
  const saving = await import('../../src/web/data/saving.ts');
  const undo = await import('../../src/web/data/undo.ts');
  const known = async <T>(path: string) => (await mutate<T>(path, (now) => now, { revalidate: false }))!;
  // As a screen does that shows both.
  const { result, unmount } = renderHook(() => [bench.useBench().data, kit.useKit(BUILD).kit], {
    wrapper: askingAnew,
  });
  await waitFor(() => expect(result.current.every((each) => each !== undefined)).toBe(true), {
    timeout: 5000,
  });
  return { bench, kit, saving, undo, known, unmount };
}
/** What an earlier tab asked for a moment ago is asked for again. */
const askingAnew = ({ children }: { children: ReactNode }) =>
  createElement(SWRConfig, { value: { dedupingInterval: 0 } }, children);

type Tab = Awaited<ReturnType<typeof openTab>>;

/** A random edit or undo, as the builder sees the bench in that moment. */
async function edit(tab: Tab, random: () => number, at: number): Promise<unknown> {
  const pick = <T>(from: readonly T[]): T => from[Math.floor(random() * from.length)]!;
  const snapshot = await tab.known<BenchSnapshot>('/api/bench');
  const build = snapshot.builds.find(({ id }) => id === BUILD)!;
  const tray = pick(build.trays.slice(0, 4));
  const choice = Math.floor(random() * 8);
  if (choice === 0) return tab.bench.saveTray(tray, { ...tray, name: `Tray ${at}` }, 'rename');
  if (choice === 1) {
    const { settings } = snapshot;
    const conditions = { ...settings.conditions, temperatureC: 15 + (at % 12) };
    return tab.bench.saveSettings(settings, { ...settings, conditions }, 'warmer');
  }
  if (choice === 2) {
    const operationId = `${BUILD}/${tray.id}/made-up-${Math.floor(random() * 3)}`;
    if (snapshot.steps.some((step) => step.operationId === operationId)) return;
    const tick = {
      operationId,
      buildId: BUILD,
      trayId: tray.id,
      title: 'Made up',
      endedAt: at,
      minutes: 5,
      note: '',
    };
    return tab.bench.tickStep(tick);
  }
  if (choice === 3 || choice === 4) {
    const id = `${BUILD}-lesson-${Math.floor(random() * 3)}`;
    const part = { id, number: `X${id.at(-1)}`, name: `Part ${at}`, count: 1 + (at % 3) };
    const record = Object.assign({}, exampleFields(await tab.known<KitItemsRecord>(KIT)), part);
    return tab.kit.changeKit(BUILD, [{ kind: 'part', id, value: random() < 0.3 ? null : record }], 'part');
  }
  if (choice === 5) return tab.undo.redo();
  return tab.undo.undo();
}

/** What else a part of the sample kit says. */
const exampleFields = ({ items }: KitItemsRecord) =>
  items.find(({ kind }) => kind === 'part')!.value as never;

/** What a bench holds, without versions, which differ from run to run. */
function contentOf({ builds, settings, steps }: BenchSnapshot): unknown {
  const { trays, joins } = builds.find(({ id }) => id === BUILD)!;
  const inOrder = [...steps].sort((p, q) => p.operationId.localeCompare(q.operationId));
  const text = JSON.stringify({ trays, joins, settings, steps: inOrder }, (key, each: unknown) =>
    key === 'version' ? undefined : each,
  );
  return JSON.parse(text) as unknown;
}

const sorted = ({ items }: KitItemsRecord) =>
  items.map(({ kind, id, value }) => JSON.stringify([kind, id, value])).sort();

async function run(seed: number, withFaults: boolean) {
  const bench = testBench(NOW);
  await bench.listen(true);
  try {
    const chance = seededRandom(seed + 1000);
    const fault = () => (withFaults ? FAULTS[Math.floor(chance() * FAULTS.length)]! : 'none');
    const tab = await openTab(bench.base, fault);
    const random = seededRandom(seed);
    const edits: Promise<unknown>[] = [];
    for (let at = 1; at <= 30; at++) {
      edits.push(edit(tab, random, at));
      // What the builder sees of an edit is there at once; its answer is not waited for.
      await new Promise((resolve) => setTimeout(resolve, 1));
    }
    await Promise.all(edits);
    await tab.saving.savesSettled();
    tab.unmount();
    const seen = await tab.known<BenchSnapshot>('/api/bench');
    const seenKit = await tab.known<KitItemsRecord>(KIT);
    const there = await bench.snapshot();
    const thereKit = (await bench.call<KitItemsRecord>('GET', KIT)).body;
    return {
      seen: contentOf(seen),
      seenKit: sorted(seenKit),
      there: contentOf(there),
      thereKit: sorted(thereKit),
      refusal: tab.saving.refusalNow(),
      unsent: JSON.parse(localStorage.getItem('fanfare.unsent-writes') ?? '[]') as unknown[],
    };
  } finally {
    vi.unstubAllGlobals();
    await bench.remove();
  }
}

afterEach(() => vi.unstubAllGlobals());

describe('a tab and the server, with requests and answers lost, late and repeated between them', () => {
  it.each([1, 2, 3, 4])('end in equal states, and in that without faults: edits of seed %i', async (seed) => {
    const faulty = await run(seed, true);
    const calm = await run(seed, false);
    expect(faulty.refusal).toBeNull();
    expect(faulty.unsent).toEqual([]);
    expect(faulty.seen).toEqual(faulty.there);
    expect(faulty.seenKit).toEqual(faulty.thereKit);
    expect(faulty.there).toEqual(calm.there);
    expect(faulty.thereKit).toEqual(calm.thereKit);
  });

  it('make one build of one click whose answer was lost, and read a spoon once', async () => {
    const bench = testBench(NOW);
    await bench.listen(true);
    try {
      let left = 2;
      const tab = await openTab(bench.base, () => (left-- > 0 ? 'answer lost' : 'none'));
      const before = (await bench.snapshot()).builds.length;
      const made: BuildRecord = await tab.bench.addBuild({ name: 'Once', subject: '', scale: 24 });
      const { builds } = await bench.snapshot();
      expect(builds).toHaveLength(before + 1);
      expect(builds.at(-1)).toMatchObject({ id: made.id, name: 'Once', version: made.version });
      left = 1;
      const paints = (await bench.call<PaintRecord[]>('GET', '/api/paints')).body;
      const card = { filmUm: 40, over: 'white', note: '', spectrum: paints[0]!.k.map(() => 0.4) };
      const { readPaintCard } = await import('../../src/web/data/cups.ts');
      const cards = async () => (await bench.call<unknown[]>('GET', '/api/readings')).body.length;
      const had = await cards();
      await readPaintCard(paints[0]!.id, card as never);
      expect(await cards()).toBe(had + 1);
    } finally {
      vi.unstubAllGlobals();
      await bench.remove();
    }
  });
});
