import { proxy, wrap, type Remote } from 'comlink';
import {
  createContext,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import type { BenchSchedule, PlanOperation, PlanRequest, PlanView } from '../../core/plan/index.ts';
import type { BenchSnapshot } from '../../api/index.ts';
import type { PlanWorker } from '../workers/planWorker.ts';
import { undoLabel } from './undo.ts';
import { planChange, type PlanChange } from './planChange.ts';
import { useBriefSearch } from './briefSearch.ts';
import { savePlan, useBench, useCodes, usePaints } from './bench.ts';
import { benchMinute, benchNow } from './clock.ts';
import { beginFrom, isOn, leaveSoFar, takeSoFar, type LongerLook, type SoFar } from './longerLook.ts';

interface PlanState {
  /** The latest plan; null until the first is made. */
  view: PlanView | null;
  /** True while the worker makes another. */
  busy: boolean;
  /** Share of the improving done, 0..1, while a valid plan is shown already; null otherwise. */
  improving: number | null;
  /** Why the latest plan could not be made, in words; null while all is well. */
  failure: string | null;
  /** Looks much longer for a better plan than the one that is kept. */
  lookLonger: () => void;
  /** True where a change ended a longer look, and the plan went on from what that had found. */
  lookCutShort: boolean;
  /** Keeps the plan as it is and stops improving it. */
  keepThis: () => void;
  operations: ReadonlyMap<string, PlanOperation>;
  /** What became different when the plan last followed a change; null once that was seen. */
  lastChange: PlanChange | null;
  acceptChange: () => void;
  /** What the plan is made from; null until everything is here. */
  request: PlanRequest | null;
  /** Until when the builder has tonight, minutes since 1970; null where the calendar says. */
  tonightUntil: number | null;
  setTonightUntil: (until: number | null) => void;
}

const PlanContext = createContext<PlanState>({
  view: null,
  busy: true,
  improving: null,
  failure: null,
  lookLonger: () => undefined,
  lookCutShort: false,
  keepThis: () => undefined,
  operations: new Map(),
  lastChange: null,
  acceptChange: () => undefined,
  request: null,
  tonightUntil: null,
  setTonightUntil: () => undefined,
});
const REFRESH_MS = 60_000;
/** Kept in this browser alone: it is about tonight. */
const UNTIL = 'fanfare.tonight-until';

function readUntil(): number | null {
  const text = localStorage.getItem(UNTIL);
  return text === null ? null : Number(text);
}

function requestOf(
  snapshot: BenchSnapshot,
  used: Pick<PlanRequest, 'paints' | 'codes'>,
  tonightUntil: number | null,
  { longer = false, brief = false, goOnFrom }: Pick<PlanRequest, 'longer' | 'brief' | 'goOnFrom'> = {},
): PlanRequest {
  return {
    snapshot,
    ...used,
    now: benchMinute(),
    ...(tonightUntil === null ? {} : { tonightUntil }),
    ...(longer ? { longer } : {}),
    ...(brief ? { brief } : {}),
    ...(goOnFrom ? { goOnFrom } : {}),
  };
}

/** Keeps the plan of the whole bench up to date in a worker and stores it. */
export function PlanProvider({ children }: { children: ReactNode }) {
  const { data: snapshot } = useBench();
  const { data: paints } = usePaints();
  const { data: codes } = useCodes();
  const brief = useBriefSearch();
  const worker = useRef<{ thread: Worker; remote: Remote<PlanWorker>; busy: boolean } | null>(null);
  const endWorker = useCallback(() => {
    worker.current?.thread.terminate();
    worker.current = null;
  }, []);
  const asked = useRef(0);
  /** The latest plan; `share` where it is being improved still. */
  const [made, setMade] = useState<{
    view: PlanView;
    inputs: unknown;
    share: number | null;
    cutShort: boolean;
  } | null>(null);
  /** What a search under way has found so far: where anything ends it, the next goes on from there. */
  const soFar = useRef<SoFar | null>(null);
  useEffect(() => {
    const onLeave = () => {
      if (soFar.current) leaveSoFar(soFar.current);
    };
    window.addEventListener('pagehide', onLeave);
    return () => window.removeEventListener('pagehide', onLeave);
  }, []);
  const [failed, setFailed] = useState<{ inputs: unknown; why: string } | null>(null);
  const [lastChange, setLastChange] = useState<PlanChange | null>(null);
  const acceptChange = useCallback(() => setLastChange(null), []);
  /** The plan that was settled last, to tell what a new one changes. */
  const settled = useRef<PlanView | null>(null);
  /** What undo would have taken back when the plan before was made. */
  const labelBefore = useRef(undoLabel());
  const [minute, setMinute] = useState(0);
  const [until, setUntil] = useState(readUntil);
  const tonightUntil = until !== null && until > benchNow() / 60000 ? until : null;
  const setTonightUntil = useCallback((next: number | null) => {
    if (next === null) localStorage.removeItem(UNTIL);
    else localStorage.setItem(UNTIL, String(next));
    setUntil(next);
  }, []);

  /** The longer look that was asked for last; once anything on its bench changes, it is over. */
  const [asking, setAsking] = useState<LongerLook | null>(null);
  const look = asking && snapshot && isOn(asking, snapshot) ? asking : null;
  const longer = look !== null;
  const lookLonger = useCallback(() => setAsking(snapshot ? { bench: snapshot } : null), [snapshot]);
  useEffect(() => {
    // A longer look is not begun anew with every minute.
    if (longer) return;
    const timer = setInterval(() => setMinute((count) => count + 1), REFRESH_MS);
    return () => clearInterval(timer);
  }, [longer]);

  const used = useMemo(() => {
    if (!snapshot || !paints || !codes) return null;
    const trays = snapshot.builds.flatMap((build) => build.trays);
    const paintIds = new Set(
      trays.flatMap(({ layers }) => layers.flatMap(({ mix }) => Object.keys(mix ?? {}))),
    );
    const codeIds = new Set(
      trays.flatMap(({ codeId, layers }) => [codeId, ...layers.map((layer) => layer.codeId ?? null)]),
    );
    return {
      paints: paints.filter(({ id }) => paintIds.has(id)),
      codes: codes.filter(({ id }) => codeIds.has(id)),
    };
  }, [snapshot, paints, codes]);

  const inputs = useMemo(
    () => (snapshot && used ? { snapshot, used, minute, tonightUntil, look } : null),
    [snapshot, used, minute, tonightUntil, look],
  );

  const keep = useCallback(async (next: PlanView, version: number, look: LongerLook | null) => {
    const before = settled.current;
    settled.current = next;
    // What begins before it is stored goes on from it as well.
    const kept = { starts: next.starts, longer: false, version };
    soFar.current = kept;
    if (look) look.replaces = version;
    const label = undoLabel();
    const isNew = label !== labelBefore.current;
    labelBefore.current = label;
    if (next.replanned && !next.problem) {
      setLastChange({ ...planChange(before, next), after: isNew ? label : null });
      const { fingerprint, starts, finish, bound, setupMinutes, proved } = next;
      await savePlan({ fingerprint, starts, finish, bound, setupMinutes, proved, version });
    }
    if (soFar.current === kept) soFar.current = null;
    setAsking((latest) => (latest === look ? null : latest));
  }, []);

  useEffect(() => {
    if (!inputs) return;
    // A search for what is no longer asked would only keep the new question waiting.
    if (worker.current?.busy) endWorker();
    if (!worker.current) {
      const thread = new Worker(new URL('../workers/planWorker.ts', import.meta.url), { type: 'module' });
      worker.current = { thread, remote: wrap<PlanWorker>(thread), busy: false };
    }
    const mine = worker.current;
    mine.busy = true;
    const turn = ++asked.current;
    const { snapshot, used, look } = inputs;
    const longer = look !== null;
    const begin = beginFrom(soFar.current ?? takeSoFar(), snapshot.plan);
    soFar.current = begin;
    const cutShort = begin !== null && begin.longer && !longer;
    const isNews = () => turn === asked.current;
    let whole: PlanView | undefined;
    const fail = (why: string) => {
      // A worker that failed once is not trusted with the next question.
      if (worker.current === mine) endWorker();
      if (!isNews()) return;
      setFailed({ inputs, why });
      soFar.current = null;
      setAsking(null);
    };
    // A script that cannot be fetched or read answers nothing.
    mine.thread.onerror = ({ message }) => fail(message || 'the worker that plans could not start');
    void mine.remote
      .makePlan(
        requestOf(snapshot, used, inputs.tonightUntil, { longer, brief, goOnFrom: begin?.starts }),
        // Progress comes on a port of its own and may arrive after the answer.
        proxy((better: PlanView | BenchSchedule, share: number) => {
          if (!isNews() || !mine.busy) return;
          const view = 'operations' in better ? better : whole && { ...whole, ...better };
          if (!view) return;
          whole = view;
          soFar.current = {
            starts: view.starts,
            longer: longer || cutShort,
            version: snapshot.plan.version,
          };
          startTransition(() => setMade({ view, inputs, share, cutShort }));
        }),
      )
      .then((next) => {
        mine.busy = false;
        if (!isNews()) return;
        // That a look was cut short is said until the plan changes again.
        startTransition(() =>
          setMade((before) => ({
            view: next,
            inputs,
            share: null,
            cutShort: cutShort || (!next.replanned && before?.cutShort === true),
          })),
        );
        void keep(next, snapshot.plan.version, look);
      })
      .catch((error: unknown) => fail((error as Error).message));
  }, [inputs, brief, keep, endWorker]);

  const view = made?.view ?? null;
  const failure = failed !== null && failed.inputs === inputs ? failed.why : null;
  const busy = failure === null && (made === null || made.inputs !== inputs);
  const improving = busy || failure !== null || made === null ? null : made.share;
  const keepThis = useCallback(() => {
    if (!made || made.share === null || made.inputs !== inputs || !inputs) return;
    endWorker();
    asked.current++;
    setMade({ ...made, share: null });
    void keep(made.view, inputs.snapshot.plan.version, inputs.look);
  }, [made, inputs, keep, endWorker]);
  const state = useMemo(
    () => ({
      view,
      busy,
      improving,
      failure,
      lookLonger,
      lookCutShort: made?.cutShort ?? false,
      keepThis,
      lastChange,
      acceptChange,
      operations: new Map(view?.operations.map((operation) => [operation.id, operation])),
      request: inputs && requestOf(inputs.snapshot, inputs.used, inputs.tonightUntil),
      tonightUntil,
      setTonightUntil,
    }),
    [
      view,
      made?.cutShort,
      busy,
      improving,
      failure,
      lookLonger,
      keepThis,
      lastChange,
      acceptChange,
      inputs,
      tonightUntil,
      setTonightUntil,
    ],
  );
  return <PlanContext.Provider value={state}>{children}</PlanContext.Provider>;
}

export function usePlan(): PlanState {
  return useContext(PlanContext);
}

/** Why a plan has no place for a build: for all, or for this one alone; null where it has. */
export const problemOf = (view: Pick<PlanView, 'problem' | 'stuck'>, buildId?: string): string | null =>
  view.problem ?? (buildId === undefined ? null : (view.stuck[buildId] ?? null));

/** Steps still to do, earliest first; of one build where an id is given. */
export function upcomingSteps(
  view: PlanView,
  buildId?: string,
): { operation: PlanOperation; start: number }[] {
  return view.operations
    .filter(
      ({ id, buildId: owner }) =>
        view.starts[id] !== undefined && (buildId === undefined || owner === buildId),
    )
    .map((operation) => ({ operation, start: view.starts[operation.id]! }))
    .sort((a, b) => a.start - b.start);
}

/** The steps of the session that the next step falls in: tonight's, or those of the next evening. */
export function sessionSteps(view: PlanView, buildId?: string) {
  const all = upcomingSteps(view, buildId);
  const first = all[0];
  if (!first) return null;
  const session = view.sessions.find(({ start, end }) => first.start >= start - 60 && first.start < end);
  const until = session?.end ?? first.start + 240;
  return {
    session: session ?? { start: first.start, end: until },
    steps: all.filter(({ start }) => start < until),
  };
}
