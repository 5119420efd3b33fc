// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import {
  EMPTY_KIT,
  newRecord,
  partRecord,
  replacementRecord,
  spareRecord,
} from '../../../../core/kit/index.ts';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import { WaysBack } from './WaysBack.tsx';

const said = vi.hoisted(() => ({
  changeKit: vi.fn(() => Promise.resolve()),
  changeStock: vi.fn(() => Promise.resolve()),
}));
vi.mock('../../../data/kit.ts', () => said);

beforeEach(() => {
  matchMediaStandIn();
  said.changeKit.mockReset();
  said.changeKit.mockResolvedValue(undefined);
  said.changeStock.mockClear();
});
afterEach(cleanup);

const mirror = {
  ...newRecord(partRecord),
  id: 'p',
  number: '4',
  name: 'Mirror',
  state: 'lost' as const,
  lengthMm: 5,
};
const spare = {
  ...newRecord(spareRecord),
  id: 's',
  name: 'mirror',
  origin: 'an older coupe',
  count: 3,
  lengthMm: 5,
};
const lost = {
  ...newRecord(replacementRecord),
  id: 'r',
  name: 'Mirror',
  partId: 'p',
  lengthMm: 5,
  widthMm: 2,
};
const onChange = vi.fn();
const show = (more: Partial<typeof lost> = {}) =>
  render(
    <MantineProvider env="test">
      <WaysBack
        buildId="b"
        replacement={{ ...lost, ...more }}
        kit={{ ...EMPTY_KIT, parts: [mirror] }}
        spares={[spare]}
        seen={undefined}
        onChange={onChange}
      />
    </MantineProvider>,
  );

it('advises the spare that fits, and remembers which it was', () => {
  show();
  fireEvent.click(screen.getByRole('radio', { name: /From the spares box \(advised\): 12 min/ }));
  expect(onChange).toHaveBeenCalledWith({ way: 'spare', spareId: 's' });
  expect(screen.queryByRole('button', { name: 'It lies there now' })).toBeNull();
});

it('takes the spare out of the box and the part off the list of what is lost, at one press', async () => {
  show({ way: 'spare' as never, spareId: 's' });
  fireEvent.click(screen.getByRole('button', { name: 'It lies there now' }));
  await waitFor(() =>
    expect(said.changeStock).toHaveBeenCalledWith(
      [expect.objectContaining({ kind: 'spare', value: expect.objectContaining({ count: 2 }) as unknown })],
      expect.any(String),
    ),
  );
  expect(said.changeKit).toHaveBeenCalledWith(
    'b',
    [
      expect.objectContaining({
        kind: 'part',
        id: 'p',
        value: expect.objectContaining({ state: 'from-spares' }) as unknown,
      }),
    ],
    'mirror lies there',
  );
});

it('leaves the spare where it is when the part was refused, and says why', async () => {
  said.changeKit.mockRejectedValue(new Error('Changed elsewhere.'));
  show({ way: 'spare' as never, spareId: 's' });
  fireEvent.click(screen.getByRole('button', { name: 'It lies there now' }));
  expect((await screen.findByRole('alert')).textContent).toBe('Changed elsewhere.');
  expect(said.changeStock).not.toHaveBeenCalled();
});

it('offers no making of what has no size, and says why', () => {
  show({ lengthMm: 0, widthMm: 0 });
  const scratch: HTMLInputElement = screen.getByRole('radio', { name: /Make it from stock/ });
  expect(scratch.disabled).toBe(true);
  expect(screen.getByText(/is not known yet/)).toBeTruthy();
});
