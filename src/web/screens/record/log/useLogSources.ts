import { useBench } from '../../../data/bench.ts';
import { useBuildContext } from '../../../data/buildContext.ts';
import { useCups } from '../../../data/cups.ts';
import { useKit } from '../../../data/kit.ts';
import { usePlan } from '../../../data/plan.tsx';
import type { LogInputs } from './useLog.ts';

/** Everything that a log is made of, for the build of the address; null until it is here. */
export function useLogSources(what: string) {
  const { build, ready, error, paints, products } = useBuildContext();
  const { kit, error: kitError } = useKit(build?.id);
  const { view } = usePlan();
  const { data: snapshot } = useBench();
  const { data: cups, error: cupError } = useCups();
  const isHere = ready && view !== null && snapshot !== undefined && cups !== undefined;
  const sources: LogInputs | null =
    isHere && build && kit ? { build, kit, view, steps: snapshot.steps, cups, paints, products } : null;
  return {
    build,
    /** There is no build at the address. */
    isNone: isHere && !build,
    sources,
    loading: { what, error: error ?? kitError ?? cupError },
  };
}
