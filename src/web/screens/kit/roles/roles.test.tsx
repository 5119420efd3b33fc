// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import { EMPTY_KIT, plainPart } from '../../../../core/kit/index.ts';
import { ProposedFinishes } from './ProposedFinishes.tsx';
import { RoleGroups } from './RoleGroups.tsx';

const kit = {
  ...EMPTY_KIT,
  parts: [
    plainPart('A1', { name: 'Body' }),
    plainPart('B1', { name: 'Chassis' }),
    plainPart('G1', { name: 'Thingummy' }),
  ],
};
const show = (view: ReactNode) => render(<MantineProvider>{view}</MantineProvider>);

describe('roles and finishes', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);

  it('begin with what is not known, and take what the builder says of it', () => {
    const onSay = vi.fn();
    show(<RoleGroups kit={kit} onSay={onSay} />);
    const where = screen.getByRole('combobox', { name: 'Where G1 Thingummy belongs' });
    fireEvent.change(where, { target: { value: 'engine' } });
    expect(onSay.mock.calls).toEqual([[kit.parts[2], 'engine']]);
    fireEvent.click(screen.getByRole('button', { name: /^Body/ }));
    expect(screen.getByRole('cell', { name: 'called Body' })).toBeTruthy();
    expect(screen.queryByRole('combobox', { name: 'Where G1 Thingummy belongs' })).toBeNull();
    // Only what was said can be taken back.
    expect(screen.queryByRole('option', { name: 'as its name tells' })).toBeNull();
    cleanup();
    const roles = [{ id: 'r', partId: 'A1', system: 'deck' as const }];
    show(<RoleGroups kit={{ ...kit, roles }} onSay={onSay} />);
    fireEvent.click(screen.getByRole('button', { name: /^Deck/ }));
    fireEvent.change(screen.getByRole('combobox', { name: 'Where A1 Body belongs' }), {
      target: { value: '' },
    });
    expect(onSay.mock.calls[1]).toEqual([kit.parts[0], null]);
  });

  it('are proposed, renamed, left and taken', () => {
    const onTake = vi.fn();
    show(<ProposedFinishes kit={kit} onTake={onTake} />);
    expect(screen.getByText(/nothing tells what they are: 1 part/)).toBeTruthy();
    fireEvent.change(screen.getByRole('textbox', { name: 'Name of body' }), { target: { value: 'Lagoon' } });
    fireEvent.change(screen.getByRole('combobox', { name: 'Look of Lagoon' }), {
      target: { value: 'satin' },
    });
    fireEvent.click(screen.getByRole('checkbox', { name: 'Take Chassis black' }));
    fireEvent.click(screen.getByRole('button', { name: 'Give 1 part 1 finish' }));
    expect(onTake.mock.calls[0]![0]).toMatchObject([
      { id: 'body', name: 'Lagoon', look: 'satin', partIds: ['A1'], finishId: null },
    ]);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Take Lagoon' }));
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'None is chosen' }).disabled).toBe(true);
  });
});
