import { useMemo } from 'react';
import type { Kit } from '../../../core/kit/index.ts';
import type { SeenDetail } from '../../../core/plan/index.ts';
import { useTask } from '../../data/useTask.ts';
import type { DetailWorker } from '../../workers/detailWorker.ts';
import { newDetailWorker } from './newDetailWorker.ts';

/** How much of each part is seen, worked out beside the page; asks nothing while there is no kit. */
export function useSeen(kit: Kit | undefined, scale: number) {
  const question = useMemo(() => kit && { kit, scale }, [kit, scale]);
  return useTask<DetailWorker, SeenDetail | null>({
    question,
    worker: newDetailWorker,
    work: (remote) => remote.seenDetail(question!.kit, question!.scale),
    keeps: true,
  });
}
