import { useMemo } from 'react';
import { useParams } from 'react-router';
import type { Kit, LiveryView } from '../../../core/kit/index.ts';
import {
  baseOf,
  bodiesOf,
  ratesOf,
  type Body,
  type LiveryAnswer,
  type LiveryFinish,
  type LiveryInput,
} from '../../../core/livery/index.ts';
import { spectrumToDisplay, type IlluminantId, type Spectrum } from '../../../core/colour/index.ts';
import type { CodeRecord } from '../../../api/index.ts';
import { finishOf, useBuildContext, type BuildContext } from '../../data/buildContext.ts';
import { useKit } from '../../data/kit.ts';
import { useTask } from '../../data/useTask.ts';
import { newLiveryWorker } from './inWorker.ts';
import type { LiveryWorker } from '../../workers/liveryWorker.ts';
import { finishHex } from '../kit/finishColour.ts';

/** The build of the address with its livery. */
export function useLivery() {
  const workshop = useBuildContext();
  const { build, codes, ready, error } = workshop;
  const { buildId } = useParams();
  const { kit, error: kitError } = useKit(buildId);
  const finishes = useMemo(() => (kit ? finishesOf(kit, codes) : []), [kit, codes]);
  const predicted = useMemo(
    () => (kit ? predictedFinishes(kit, workshop) : new Map<string, PredictedFinish>()),
    [kit, workshop],
  );
  return {
    build,
    kit,
    codes,
    finishes,
    predicted,
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

/** A finish as the stack that is planned for it will leave it. */
export interface PredictedFinish {
  spectrum: Spectrum;
  /** Gloss units. */
  gloss: number;
}

/** The finishes of a livery as far as a stack is planned for them; those of one colour are those under all areas. */
export function predictedFinishes(
  kit: Kit,
  { build, products, codes, conditions }: BuildContext,
): Map<string, PredictedFinish> {
  const found = new Map<string, PredictedFinish>();
  if (!build) return found;
  const trays = build.trays.map(({ id, parts }) => ({ id, partIds: parts.map((part) => part.id) }));
  for (const { trayId, views } of bodiesOf(kit, trays)) {
    const tray = build.trays.find(({ id }) => id === trayId);
    if (!tray || tray.layers.length === 0) continue;
    const { evaluation } = finishOf(tray, build.scale, products, codes, conditions);
    if (!evaluation) continue;
    const under = views.map((view) => baseOf(view, kit)).find((id) => id !== null);
    const own = evaluation.colours.length > 0 ? evaluation.colours : [{ ...evaluation, finishId: under }];
    for (const { finishId, spectrum, gloss } of own) {
      // What others are picked out over is the finish that the body has beneath them.
      const id = finishId ?? under;
      if (id && !found.has(id)) found.set(id, { spectrum, gloss });
    }
  }
  return found;
}

/** How a finish looks in a light: as its stack will leave it, or as its code asks where none is planned. */
export function hexIn(
  finishId: string | null,
  kit: Kit,
  codes: readonly CodeRecord[],
  light: IlluminantId,
  predicted?: ReadonlyMap<string, PredictedFinish>,
): string {
  const finish = kit.finishes.find(({ id }) => id === finishId);
  const spectrum =
    (finish && predicted?.get(finish.id)?.spectrum) ??
    codes.find(({ id }) => id === finish?.codeId)?.spectrum;
  return spectrum
    ? spectrumToDisplay(spectrum, { illuminant: light, observer: '2deg' }).hex
    : finishHex(finish, codes);
}
