import { Button } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { counted } from '../../../core/kit/index.ts';
import { TrayList } from '../../components/TrayList.tsx';
import { removeBuild } from '../../data/bench.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import { HoldingPanel } from './HoldingPanel.tsx';
import { JoinPanel } from './JoinPanel.tsx';
import type { KitViewProps } from './kitView.ts';
import { NewTray } from './NewTray.tsx';
import { TrayEditor } from './TrayEditor.tsx';

/** The sub-assemblies and joins that the plan goes by, to be edited by hand. */
export function StandingTrays({ build, kit }: Pick<KitViewProps, 'build' | 'kit'>) {
  const { codes, products } = useBuildContext();
  const [chosenId, setChosenId] = useState<string>();
  const navigate = useNavigate();
  const tray = build.trays.find(({ id }) => id === chosenId) ?? build.trays[0];
  return (
    <>
      {build.trays.length === 0 && (
        <div className="panel">
          <h3>Begin with one sub-assembly</h3>
          <p>
            A sub-assembly is what you join before paint and finish as one: the body, the chassis, the wheels.
            Name one, then paste its parts and say how large it is. Colour, finish and plan follow from that.
          </p>
        </div>
      )}
      <NewTray build={build} onAdded={setChosenId} />
      {build.trays.length > 0 && (
        <div
          style={{
            display: 'grid',
            gridTemplateColumns: '210px minmax(0, 1fr)',
            gap: 14,
            alignItems: 'start',
          }}
        >
          <TrayList
            trays={build.trays}
            chosen={tray?.id}
            products={products}
            codes={codes}
            note={({ parts, areaCm2 }) =>
              `${counted(
                parts.reduce((sum, { count }) => sum + count, 0),
                'piece',
              )}, ${areaCm2} cm²`
            }
            onChoose={({ id }) => setChosenId(id)}
          />
          <div className="column">
            {tray && <TrayEditor key={tray.id} build={build} tray={tray} kit={kit} />}
            {tray && (
              <HoldingPanel
                key={`held ${tray.id}`}
                build={build}
                kit={kit}
                partIds={tray.parts.map(({ id }) => id)}
              />
            )}
            <JoinPanel build={build} />
          </div>
        </div>
      )}
      <Button
        style={{ width: 'max-content' }}
        onClick={() => {
          if (
            window.confirm(
              `Remove "${build.name}" with its kit, sub-assemblies and log? This cannot be undone.`,
            )
          )
            void removeBuild(build).then(() => navigate('/'));
        }}
      >
        Remove this build
      </Button>
    </>
  );
}
