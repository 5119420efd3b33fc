import { useState } from 'react';
import { counted, takeFinishes } from '../../../../core/kit/index.ts';
import { changeKit } from '../../../data/kit.ts';
import { newId } from '../../../data/newId.ts';
import type { KitViewProps } from '../kitView.ts';
import { ProposedFinishes } from './ProposedFinishes.tsx';
import { RoleGroups } from './RoleGroups.tsx';

/** What each part is, and the finishes that follow from it, to be accepted or changed before anything is divided. */
export function RolesView({ build, kit }: KitViewProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const change = (changes: Parameters<typeof changeKit>[1], label: string) =>
    void changeKit(build.id, changes, label)
      .then(() => setProblem(null))
      .catch((error: unknown) => setProblem((error as Error).message));
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
              const id = kit.roles.find(({ partId }) => partId === part.id)?.id ?? newId(build.id);
              const value = system === null ? null : { id, partId: part.id, system };
              change([{ kind: 'role', id, value }], `where ${part.name.toLowerCase()} belongs`);
            }}
          />
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
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
      </section>
    </>
  );
}
