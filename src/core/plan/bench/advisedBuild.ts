import { LAYER_KINDS, type Stack, type StackEvaluation } from '../../finish/index.ts';
import type { AdvisedBuild, AdvisedTray } from '../contribution.ts';
import type { BenchInputs } from './derive.ts';
import type { BenchBuild, BenchPaint } from './request.ts';

/** A build with its stacks, films, paints and air, as far as what is said of it goes. `at`: its place among the builds. */
export function advisedBuild(
  build: BenchBuild,
  at: number,
  { request, followed, evaluations, films, deadlines }: BenchInputs,
  shelf: ReadonlyMap<string, BenchPaint>,
): AdvisedBuild {
  const { conditions, calendar } = request.snapshot.settings;
  const { trays, leftOut } = followed[at]!;
  const stacks = new Map(trays.map(({ id, stack }) => [id, stack]));
  return {
    ...build,
    wants: build.kit.wants,
    films,
    materials: request.snapshot.materials ?? [],
    deadline: deadlines[build.id] ?? null,
    leftOut: leftOut.map(({ step }) => step),
    air: { conditions, forecast: calendar.forecast ?? [] },
    muted: build.kit.plan.mutedAdvice,
    milestones: build.kit.plan.milestones,
    trays: build.trays.flatMap((tray): AdvisedTray[] => {
      const stack = stacks.get(tray.id);
      return stack ? [advisedTray(tray, stack, build.kit, evaluations.get(tray.id), shelf)] : [];
    }),
  };
}

function advisedTray(
  { id, name, layers }: BenchBuild['trays'][number],
  stack: Stack,
  { tyres, plated, materials }: BenchBuild['kit'],
  evaluation: StackEvaluation | undefined,
  shelf: ReadonlyMap<string, BenchPaint>,
): AdvisedTray {
  const clear = materials[id]?.includes('clear') === true;
  const isBright = stack.layers.some(({ kind }) => kind === 'metal' || kind === 'foil');
  return {
    id,
    name,
    stack,
    painted: layers.some(({ kind }) => LAYER_KINDS[kind].painted),
    tyre: tyres.includes(id),
    clear,
    bloom: clear ? 'clear parts' : plated.includes(id) ? 'plating' : isBright ? 'bright metal' : undefined,
    colours: evaluation
      ? evaluation.colours.length > 0
        ? evaluation.colours
        : [{ finishId: null, lab: evaluation.lab }]
      : [],
    findings: evaluation?.findings ?? [],
    muted: evaluation?.muted ?? [],
    needs: layers.flatMap((layer): AdvisedTray['needs'] => {
      if (!LAYER_KINDS[layer.kind].painted) return [];
      const drops = Object.entries(layer.mix ?? {});
      const unknown = { levelMl: undefined, needMl: undefined };
      if (drops.length === 0) {
        return layer.kind === 'colour'
          ? [{ ...unknown, layerId: layer.id, paintId: '', name: 'colour', chosen: false }]
          : [];
      }
      const all = drops.reduce((sum, [, count]) => sum + count, 0);
      const volume = evaluation?.layers.find((each) => each.id === layer.id)?.volume.paintMl;
      return drops.map(([paintId, count]) => {
        const paint = shelf.get(paintId);
        return {
          layerId: layer.id,
          paintId,
          name: paint ? `${paint.name} (${paint.range})` : paintId,
          levelMl: paint?.levelMl,
          needMl: volume === undefined ? undefined : (volume * count) / all,
          chosen: true,
        };
      });
    }),
  };
}
