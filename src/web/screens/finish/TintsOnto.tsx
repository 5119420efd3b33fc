import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import type { TrayRecord } from '../../../api/index.ts';
import type { TintId } from '../../../core/finish/index.ts';
import { saveTray } from '../../data/bench.ts';
import { withTints } from './planned.ts';

interface TintsOntoProps {
  trays: readonly TrayRecord[];
  tints: readonly { tint: TintId; passes: number }[];
}

/** Lays tints on top of the stack of a sub-assembly, beneath its clear, as many dusted passes as were counted. */
export function TintsOnto({ trays, tints }: TintsOntoProps) {
  const [trayId, setTrayId] = useState('');
  const [told, setTold] = useState('');
  const tray = trays.find(({ id }) => id === trayId);
  const wanted = tints.filter(({ passes }) => passes > 0);
  if (wanted.length === 0 || trays.length === 0) return null;
  return (
    <div className="stacked g6 mt8">
      <NativeSelect
        size="xs"
        aria-label="Lay it on"
        data={[
          { value: '', label: 'lay it on…' },
          ...trays.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        value={trayId}
        onChange={({ currentTarget: { value } }) => setTrayId(value)}
      />
      {tray && (
        <Button
          onClick={() =>
            void saveTray(tray, { ...tray, layers: withTints(tray.layers, wanted) }, `tints on ${tray.name}`)
              .then(() => setTold(`In the stack of ${tray.name}.`))
              .catch((problem: unknown) => setTold((problem as Error).message))
          }
        >
          Put {wanted.length === 1 ? 'it' : `these ${wanted.length}`} into the stack of {tray.name}
        </Button>
      )}
      {told && (
        <p role="status" className="small">
          {told}
        </p>
      )}
    </div>
  );
}
