import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { JointTime, Kit, SubassemblyProposal } from '../../../core/kit/index.ts';
import { useTask } from '../../data/useTask.ts';
import type { KitWorker } from '../../workers/kitWorker.ts';

const SETTLE_MS = 120;

/** Proposes sub-assemblies in a worker whenever the kit changes; a new kit or cancel ends the old worker. */
export function useProposal(kit: Kit | undefined) {
  return useTask<KitWorker, SubassemblyProposal>({
    question: kit,
    worker: newWorker,
    work: (remote, onProgress) => remote.propose(kit!, proxy(onProgress)),
    settleMs: SETTLE_MS,
  });
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
