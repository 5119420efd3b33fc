// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { BuildRecord, TrayRecord } from '../../../api/index.ts';
import { EMPTY_KIT, plainPart, productIndex, type Kit } from '../../../core/kit/index.ts';
import { useKit } from '../../data/kit.ts';
import { PickedOut } from './PickedOut.tsx';

vi.mock('../../data/kit.ts', () => ({ useKit: vi.fn() }));

const zone = (finishId: string, share: number, name = '') => ({
  id: finishId,
  name,
  finishId,
  share,
  boundary: 'masked' as const,
  edgeMm: 60,
});
const kit: Kit = {
  ...EMPTY_KIT,
  finishes: [
    { id: 'red', name: 'Red', look: 'gloss', codeId: null },
    { id: 'gilt', name: 'Gilt', look: 'metal', codeId: null },
  ],
  parts: [
    {
      ...plainPart('door'),
      name: 'Door',
      areaCm2: 20,
      zones: [zone('red', 0.9), zone('gilt', 0.1, 'spear')],
    },
  ],
};
const tray = {
  id: 't',
  name: 'Door',
  parts: [{ id: 'door' }],
  substrateId: 'styrene-white',
  areaCm2: 20,
  codeId: null,
  layers: [],
} as unknown as TrayRecord;
const show = (known: Kit | undefined, layers: TrayRecord['layers'] = []) => {
  vi.mocked(useKit).mockReturnValue({ kit: known, error: undefined });
  const onSave = vi.fn();
  render(
    <MantineProvider env="test">
      <PickedOut
        build={{ id: 'b', scale: 24 } as BuildRecord}
        tray={{ ...tray, layers }}
        paints={[]}
        bench={{ products: productIndex([]), codes: [], conditions: { temperatureC: 20, humidity: 50 } }}
        onSave={onSave}
      />
    </MantineProvider>,
  );
  return onSave;
};

beforeEach(() => {
  matchMediaStandIn();
});
afterEach(cleanup);

describe('colours picked out without a paint', () => {
  it('are named with their place, surface and tape, and get a layer with the paint left open', () => {
    const onSave = show(kit);
    expect(screen.getByText(/spear on door, 2 cm², 60 mm of its edge along tape/)).toBeTruthy();
    fireEvent.click(screen.getByText('Add its layer, paint to be chosen'));
    const [layers, label] = onSave.mock.calls[0]! as [TrayRecord['layers'], string];
    expect(layers).toMatchObject([{ kind: 'metal', tool: 'brush', finishId: 'gilt', share: 0.1 }]);
    expect(layers[0]).not.toHaveProperty('mix');
    expect(label).toBe('gilt on Door');
  });

  it('are nothing once they have a layer, nor while the kit is fetched', () => {
    show(kit, [{ id: 'g', kind: 'metal', coats: 1, tool: 'brush', finishId: 'gilt' }]);
    expect(screen.queryByText('Picked out, without a paint')).toBeNull();
    cleanup();
    show(undefined);
    expect(screen.queryByText('Picked out, without a paint')).toBeNull();
  });
});
