import type { BuildRecord } from '../../../api/index.ts';
import type { Kit, Stock } from '../../../core/kit/index.ts';
import type { useProposal } from './useProposal.ts';

/** What every view of the kit works with. */
export interface KitViewProps {
  build: BuildRecord;
  kit: Kit;
  stock: Stock;
  proposals: ReturnType<typeof useProposal>;
}
