import { useMemo } from 'react';
import { useParams } from 'react-router';
import type { Kit, LiveryView } from '../../../core/kit/index.ts';
import {
  baseOf,
  ratesOf,
  type Body,
  type LiveryAnswer,
  type LiveryFinish,
  type LiveryInput,
} from '../../../core/livery/index.ts';
import { spectrumToDisplay, type IlluminantId } from '../../../core/colour/index.ts';
import type { CodeRecord } from '../../../api/index.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import { useKit } from '../../data/kit.ts';
import { useTask } from '../../data/useTask.ts';
import type { LiveryWorker } from '../../workers/liveryWorker.ts';
import { finishHex } from '../kit/finishColour.ts';

/** The build of the address with its livery. */
export function useLivery() {
  const workshop = useBuildContext();
  const { build, codes, ready, error } = workshop;
  const { buildId } = useParams();
  const { kit, error: kitError } = useKit(buildId);
  const finishes = useMemo(() => (kit ? finishesOf(kit, codes) : []), [kit, codes]);
  return {
    build,
    kit,
    codes,
    finishes,
    workshop,
    ready: ready && kit !== undefined,
    error: error ?? kitError,
  };
}

const finishesOf = ({ finishes }: Kit, codes: readonly CodeRecord[]): LiveryFinish[] =>
  finishes.map(({ id, name, look, codeId }) => ({
    id,
    name,
    look,
    spectrum: codes.find((code) => code.id === codeId)?.spectrum ?? null,
  }));

export const newLiveryWorker = () =>
  new Worker(new URL('../../workers/liveryWorker.ts', import.meta.url), { type: 'module' });

/** Views with what lies on them, and under it. */
const inputOf = (kit: Kit, views: readonly LiveryView[]): Pick<LiveryInput, 'views' | 'areas'> => ({
  views: views.map((view) => ({ view, baseId: baseOf(view, kit) })),
  areas: kit.liveryAreas.filter(({ viewId }) => views.some(({ id }) => id === viewId)),
});

/** Views measured in a worker whenever one of them, or what lies on it, changes. */
export function useMeasured(kit: Kit | undefined, views: readonly LiveryView[]) {
  const question = useMemo(() => (kit && views.length > 0 ? inputOf(kit, views) : undefined), [kit, views]);
  return useTask<LiveryWorker, LiveryAnswer['measured']>({
    question,
    worker: newLiveryWorker,
    work: (remote) => remote.measureViews(question!),
    keeps: true,
  });
}

/** The order of colours of every body, worked out in a worker whenever one of them changes. */
export function useOrders(kit: Kit | undefined, finishes: readonly LiveryFinish[], bodies: readonly Body[]) {
  const question = useMemo(
    () =>
      kit && bodies.length > 0
        ? bodies.map(({ trayId, views }) => ({
            id: trayId,
            ...inputOf(kit, views),
            finishes,
            rates: ratesOf(kit),
          }))
        : undefined,
    [kit, finishes, bodies],
  );
  return useTask<LiveryWorker, (LiveryAnswer & { id: string })[]>({
    question,
    worker: newLiveryWorker,
    work: (remote) => remote.planLiveries(question!),
    keeps: true,
  });
}

/** How a finish looks in a light. */
export function hexIn(
  finishId: string | null,
  kit: Kit,
  codes: readonly CodeRecord[],
  light: IlluminantId,
): string {
  const finish = kit.finishes.find(({ id }) => id === finishId);
  const code = codes.find(({ id }) => id === finish?.codeId);
  return code
    ? spectrumToDisplay(code.spectrum, { illuminant: light, observer: '2deg' }).hex
    : finishHex(finish, codes);
}
