import { expose } from 'comlink';
import { pinCost, subassemblySearch, type Kit, type SubassemblyProposal } from '../../core/kit/index.ts';
import { layOutJointMap } from './jointMap.ts';
import { readPastedParts } from './readPartTable.ts';

const TELL_MS = 50;

/** Proposes sub-assemblies, telling the share done about twenty times a second. To cancel, end the worker. */
function propose(kit: Kit, onProgress: (share: number) => void): SubassemblyProposal {
  const steps = subassemblySearch(kit);
  let told = Date.now();
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
    if (Date.now() - told > TELL_MS) {
      told = Date.now();
      onProgress(value);
    }
  }
}

const kitWorker = { propose, pinCost, layOutJointMap, readPastedParts };
export type KitWorker = typeof kitWorker;
expose(kitWorker);
