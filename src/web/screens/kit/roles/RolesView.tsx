import { counted, takeFinishes } from '../../../../core/kit/index.ts';
import { useBench } from '../../../data/bench.ts';
import { useOtherKits } from '../../../data/kit.ts';
import { newId } from '../../../data/newId.ts';
import { useKitChange } from '../../../data/useKitChange.ts';
import type { KitViewProps } from '../kitView.ts';
import { roleChanges } from '../partChanges.ts';
import { LearntRoles } from './LearntRoles.tsx';
import { PairsPanel } from './PairsPanel.tsx';
import { ProposedFinishes } from './ProposedFinishes.tsx';
import { RoleGroups } from './RoleGroups.tsx';

/** What each part is, and the finishes that follow from it, to be accepted or changed before anything is divided. */
export function RolesView({ build, kit }: KitViewProps) {
  const { data: bench } = useBench();
  const others = useOtherKits(bench?.builds, build.id);
  const { problem, change } = useKitChange(build.id);
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>What belongs where</h2>
        {problem && <p role="alert">{problem}</p>}
        {kit.parts.length === 0 ? (
          <p className="panel">
            List the parts first: what they are is read from their names, in any usual words.
          </p>
        ) : (
          <RoleGroups
            kit={kit}
            onSay={(part, system) => {
              const said = roleChanges(kit, part, system, () => newId(build.id));
              if (said.length > 0) change(said, `where ${part.name.toLowerCase()} belongs`);
            }}
          />
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <LearntRoles
          kit={kit}
          others={others}
          onTake={(learnt) =>
            change(
              learnt.map(({ partId, system }) => {
                const id = newId(build.id);
                return { kind: 'role' as const, id, value: { id, partId, system } };
              }),
              `${counted(learnt.length, 'role')} of other kits`,
            )
          }
        />
        <ProposedFinishes
          kit={kit}
          onTake={(taken) => {
            const { finishes, parts } = takeFinishes(kit, taken, () => newId(build.id));
            change(
              [
                ...finishes.map((value) => ({ kind: 'finish' as const, id: value.id, value })),
                ...parts.map((value) => ({ kind: 'part' as const, id: value.id, value })),
              ],
              `finishes of ${counted(parts.length, 'part')}`,
            );
          }}
        />
        <PairsPanel build={build} kit={kit} />
      </section>
    </>
  );
}
