import { useMemo } from 'react';
import { useParams } from 'react-router';
import type { BuildRecord, CodeRecord, PaintRecord, TrayRecord } from '../../api/index.ts';
import { spectrumToDisplay } from '../../core/colour/index.ts';
import {
  evaluateStack,
  opaqueInSheen,
  type Conditions,
  type EvaluateOptions,
  type StackEvaluation,
} from '../../core/finish/index.ts';
import { longestSpraying } from '../../core/plan/index.ts';
import {
  productIndex,
  resolveMix,
  resolveStack,
  targetLayer,
  type ProductIndex,
} from '../../core/kit/index.ts';
import { useBench, useCodes, usePaints } from './bench.ts';

export interface BuildContext {
  build: BuildRecord | undefined;
  paints: PaintRecord[];
  codes: CodeRecord[];
  products: ProductIndex;
  conditions: Conditions;
  /** Longest bench session in which paint can be sprayed, minutes; 0 where there is none. */
  longestSession: number;
  /** The catalogues and the bench are all here. */
  ready: boolean;
  error: Error | undefined;
}

const NO_PAINTS: PaintRecord[] = [];
const NO_CODES: CodeRecord[] = [];
const NO_AIR: Conditions = { temperatureC: 20, humidity: 50 };

/** The build of the address with everything needed to compute with it. */
export function useBuildContext(): BuildContext {
  const { buildId } = useParams();
  const bench = useBench();
  const paints = usePaints();
  const codes = useCodes();
  const products = useMemo(() => productIndex(paints.data ?? NO_PAINTS), [paints.data]);
  return {
    build: bench.data?.builds.find(({ id }) => id === buildId),
    paints: paints.data ?? NO_PAINTS,
    codes: codes.data ?? NO_CODES,
    products,
    conditions: bench.data?.settings.conditions ?? NO_AIR,
    longestSession: longestSpraying(bench.data?.settings.calendar.sessions ?? []),
    ready: bench.data !== undefined && paints.data !== undefined && codes.data !== undefined,
    error: bench.error ?? paints.error ?? codes.error,
  };
}

/** What a tray will look like, for dots and tags: its chosen paint, or the code it wants. */
export function trayHex(tray: TrayRecord, products: ProductIndex, codes: readonly CodeRecord[]): string {
  const about = targetLayer(tray.layers) ?? tray.layers.findLast(({ kind }) => kind === 'metal');
  const product = about?.mix && resolveMix(about.mix, products);
  if (product) return spectrumToDisplay(opaqueInSheen(product.optics, product.sheen)).hex;
  const code = codes.find(({ id }) => id === tray.codeId);
  return code ? spectrumToDisplay(code.spectrum).hex : '#8c8c8c';
}

export interface TrayFinish {
  evaluation: StackEvaluation | undefined;
  error: string | undefined;
}

/** The finish of a tray under the bench's air, or why it cannot be worked out. */
export function finishOf(
  tray: TrayRecord,
  scale: number,
  products: ProductIndex,
  codes: readonly CodeRecord[],
  conditions: Conditions,
  options: EvaluateOptions = {},
): TrayFinish {
  const colourOf = (codeId: string) => codes.find(({ id }) => id === codeId)?.spectrum;
  try {
    return {
      evaluation: evaluateStack(resolveStack(tray, scale, products, colourOf), conditions, options),
      error: undefined,
    };
  } catch (error) {
    return { evaluation: undefined, error: (error as Error).message };
  }
}
