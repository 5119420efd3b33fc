// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../../api/index.ts';
import {
  assembleStock,
  effectRecord,
  EMPTY_KIT,
  lampRecord,
  newRecord,
  plainPart,
  type Effect,
  type Kit,
  type Lamp,
} from '../../../../core/kit/index.ts';
import { changeKit } from '../../../data/kit.ts';
import { LampsView } from '../glass/LampsView.tsx';
import { EffectsView } from './EffectsView.tsx';

vi.mock('../../../data/kit.ts', () => ({ changeKit: vi.fn() }));
const changed = vi.mocked(changeKit);

const show = (View: typeof EffectsView, kit: Partial<Kit>) =>
  render(
    <MantineProvider env="test">
      <View
        build={{ id: 'b', name: 'Coupe', scale: 24 } as BuildRecord}
        kit={{ ...EMPTY_KIT, parts: [plainPart('F5'), plainPart('F6')], ...kit }}
        stock={assembleStock([])}
      />
    </MantineProvider>,
  );
const effect = (more: Partial<Effect> = {}): Effect => ({
  ...newRecord(effectRecord),
  id: 'e',
  name: 'Dash',
  partId: 'F5',
  ...more,
});
const lamp = (more: Partial<Lamp> = {}): Lamp => ({
  ...newRecord(lampRecord),
  id: 'l',
  name: 'Tail lamps',
  partId: 'F5',
  ...more,
});

beforeEach(() => {
  matchMediaStandIn();
  changed.mockReset().mockResolvedValue(undefined);
});
afterEach(cleanup);

describe('leather, cloth and wood', () => {
  it('asks for the base coat, and keeps it', () => {
    show(EffectsView, { effects: [effect()] });
    expect(screen.getByText(/Give its base coat/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Base coat'), { target: { value: '#c49a6c' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep the colours' }));
    expect(changed.mock.calls.at(-1)![1][0]).toMatchObject({ value: { base: '#c49a6c', wanted: '' } });
  });

  it('counts the passes, and says where two pieces read as one', () => {
    const known = { base: '#c49a6c', passes: 1 };
    show(EffectsView, {
      effects: [effect(known), effect({ ...known, id: 'f', name: 'Rail', partId: 'F6' })],
    });
    expect(screen.getAllByText(/After 1 pass/)).toHaveLength(2);
    expect(screen.getByText(/from rail: as if from one piece/)).toBeTruthy();
  });

  it('says which pattern is too fine, and what is no colour', () => {
    show(EffectsView, { effects: [effect({ effect: 'leather', base: '#6a2a32' })] });
    expect(screen.getByText(/the grain of the hide would be 0.06 mm apart/)).toBeTruthy();
    cleanup();
    show(EffectsView, { effects: [effect({ base: 'oxblood' })] });
    expect(screen.getByRole('alert').textContent).toContain('The base coat');
  });
});

describe('a lamp', () => {
  it('is bright from behind: passes of a tint over its reflector', () => {
    show(LampsView, { lamps: [lamp({ reflector: 'plating', colour: '#b01018', count: 2 })] });
    expect(screen.getByText(/passes of clear red/)).toBeTruthy();
    expect(screen.getByText('its plating stays as reflector')).toBeTruthy();
  });

  it('has no tint where it is clear', () => {
    show(LampsView, { lamps: [lamp()] });
    expect(screen.queryByText(/dusted/)).toBeNull();
  });
});
