import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { JointTime, Kit, SubassemblyProposal } from '../../../core/kit/index.ts';
import type { KitWorker } from '../../workers/kitWorker.ts';

export type ProposalState =
  | { kind: 'working'; share: number }
  | { kind: 'made'; proposal: SubassemblyProposal; seconds: number }
  | { kind: 'refused'; message: string }
  | { kind: 'cancelled' };

const SETTLE_MS = 120;

/** Proposes sub-assemblies in a worker whenever the kit changes; a new kit or cancel ends the old worker. */
export function useProposal(kit: Kit | undefined) {
  const [answered, setAnswered] = useState<{ kit: Kit; turn: number; state: ProposalState } | null>(null);
  const [turn, setTurn] = useState(0);
  const stop = useRef<() => void>(() => undefined);

  useEffect(() => {
    if (!kit) return;
    let worker: Worker | undefined;
    const answer = (state: ProposalState) => setAnswered({ kit, turn, state });
    const timer = setTimeout(() => {
      worker = newWorker();
      const began = performance.now();
      wrap<KitWorker>(worker)
        .propose(
          kit,
          proxy((share: number) =>
            setAnswered((now) =>
              now?.kit === kit && now.turn === turn && now.state.kind !== 'working'
                ? now
                : { kit, turn, state: { kind: 'working', share } },
            ),
          ),
        )
        .then((proposal) => answer({ kind: 'made', proposal, seconds: (performance.now() - began) / 1000 }))
        .catch((error: unknown) => answer({ kind: 'refused', message: (error as Error).message }))
        .finally(() => worker?.terminate());
    }, SETTLE_MS);
    stop.current = () => {
      clearTimeout(timer);
      worker?.terminate();
    };
    return () => stop.current();
  }, [kit, turn]);

  const current = answered && answered.kit === kit && answered.turn === turn ? answered.state : null;
  const last = answered?.state.kind === 'made' ? answered.state.proposal : undefined;
  const state: ProposalState = current ?? { kind: 'working', share: 0 };
  return {
    state,
    /** The newest proposal there is, also while another is being made. */
    proposal: state.kind === 'made' ? state.proposal : last,
    cancel: () => {
      stop.current();
      if (kit) setAnswered({ kit, turn, state: { kind: 'cancelled' } });
    },
    again: () => setTurn((count) => count + 1),
  };
}

const newWorker = () =>
  new Worker(new URL('../../workers/kitWorker.ts', import.meta.url), { type: 'module' });

/** One worker for short questions about the kit, made when first asked. */
let shared: Remote<KitWorker> | undefined;
export function kitWorker(): Remote<KitWorker> {
  shared ??= wrap<KitWorker>(newWorker());
  return shared;
}

/** What holding a joint to the other time would cost; undefined while it is worked out. */
export function usePinCost(kit: Kit | undefined, jointId: string | undefined, when: JointTime | undefined) {
  const [answer, setAnswer] = useState<{ key: unknown; id: string; result: PinAnswer } | null>(null);
  useEffect(() => {
    if (!kit || jointId === undefined || when === undefined) return;
    let asked = true;
    void kitWorker()
      .pinCost(kit, jointId, when)
      .then((result) => {
        if (asked) setAnswer({ key: kit, id: jointId, result });
      });
    return () => {
      asked = false;
    };
  }, [kit, jointId, when]);
  return answer?.key === kit && answer?.id === jointId ? answer?.result : undefined;
}

type PinAnswer = { minutes: number } | { refused: string };
