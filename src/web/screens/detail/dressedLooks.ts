import { BARE_METALS } from '../../../core/finish/index.ts';
import { TUBE_LOOKS, type Dressing } from '../../../core/kit/index.ts';

/** How a tube looks, in words. */
export const LOOK_WORDS = Object.fromEntries(
  TUBE_LOOKS.map((look) => [look, BARE_METALS.find(({ id }) => id === look)?.name ?? 'left bright']),
) as Record<Dressing['tubeLook'], string>;
