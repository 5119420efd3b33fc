import type { BuildRecord } from '../../../api/index.ts';
import type { Kit, Stock } from '../../../core/kit/index.ts';

/** What every view of the detail works with. */
export interface DetailViewProps {
  build: BuildRecord;
  kit: Kit;
  stock: Stock;
}
