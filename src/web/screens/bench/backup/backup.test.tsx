// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { CopyList, CopyPreview, CopyRecord } from '../../../../api/index.ts';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import { BackupPanel } from './BackupPanel.tsx';

const file = vi.hoisted(() => ({
  list: undefined as CopyList | undefined,
  sendCopy: vi.fn(),
  previewCopy: vi.fn(),
  restoreCopy: vi.fn(),
  removeCopy: vi.fn(),
  makeCopy: vi.fn(),
}));
vi.mock('../../../data/file.ts', () => ({
  ...file,
  useCopies: () => ({ data: file.list }),
  signOut: vi.fn(),
}));

const AT = Date.parse('2026-05-12T19:30:00') / 60_000;
const scheduled: CopyRecord = {
  id: 'scheduled-2026-05-12T19-30-00',
  kind: 'scheduled',
  at: AT,
  bytes: 3_240_000,
};
const sent: CopyRecord = { ...scheduled, id: 'sent-2026-05-12T19-31-00', kind: 'sent' };
const preview = (copy: CopyRecord): CopyPreview => ({
  copy,
  madeAt: AT,
  writtenBy: '0.1.0',
  checked: true,
  builds: [
    { name: 'Coupe', standing: 'differs' },
    { name: 'Truck', standing: 'only here' },
  ],
  counts: [
    { what: 'Done steps', there: 12, here: 19, differ: null },
    { what: 'Bottles on the shelf', there: 40, here: 40, differ: 3 },
    { what: 'Codes', there: 9, here: 9, differ: 0 },
  ],
  lastStepAt: { there: AT, here: AT + 3000 },
});

beforeEach(() => {
  matchMediaStandIn();
  file.list = { folder: '/data/bench-copies', copies: [scheduled, sent], restored: null };
  for (const mock of [file.sendCopy, file.previewCopy, file.restoreCopy, file.removeCopy]) mock.mockReset();
  file.previewCopy.mockImplementation(() => Promise.resolve(preview(scheduled)));
  file.restoreCopy.mockResolvedValue(undefined);
  file.removeCopy.mockResolvedValue(undefined);
});
afterEach(cleanup);

const onSave = vi.fn();
const show = () =>
  render(
    <MantineProvider env="test">
      <BackupPanel
        guarded={false}
        readOnly={false}
        preferences={{ temperature: 'C', volume: 'ml' }}
        savedAt={null}
        onSave={onSave}
      />
    </MantineProvider>,
  );

it('shows what a copy would change before it is restored, and what would be gone', async () => {
  show();
  fireEvent.click(screen.getByRole('button', { name: /^Look at it: the copy of/ }));
  await screen.findByText(/its checksum agrees/i);
  expect(screen.getByText('would be gone')).toBeTruthy();
  const shelf = screen.getByRole('row', { name: /Bottles on the shelf/ });
  expect([...shelf.querySelectorAll('td')].map(({ textContent }) => textContent)).toEqual([
    'Bottles on the shelf',
    '40',
    '40',
    '3',
  ]);
  expect(screen.getByRole('note').textContent).toMatch(/What was done between would be gone/);
  expect(file.restoreCopy).not.toHaveBeenCalled();
  fireEvent.click(screen.getByRole('button', { name: 'Restore it' }));
  await waitFor(() => expect(file.restoreCopy).toHaveBeenCalledWith(scheduled.id));
  await screen.findByText(/“Take the restore back”/);
});

it('lets go of a file that was only looked at', async () => {
  file.sendCopy.mockResolvedValue(sent);
  file.previewCopy.mockResolvedValue(preview(sent));
  const { container } = show();
  fireEvent.change(container.querySelector('input[type=file]')!, {
    target: { files: [new File(['x'], 'b.db')] },
  });
  fireEvent.click(await screen.findByRole('button', { name: 'Keep what is here' }));
  await waitFor(() => expect(file.removeCopy).toHaveBeenCalledWith(sent.id));
  expect(file.restoreCopy).not.toHaveBeenCalled();
});

it('takes a restore back at one press, for as long as what was there is kept', async () => {
  file.list = {
    ...file.list!,
    restored: { at: AT, madeAt: AT - 1440, keptId: 'before-restore-2026-05-12T19-30-00' },
  };
  show();
  fireEvent.click(screen.getByRole('button', { name: 'Take the restore back' }));
  await waitFor(() => expect(file.restoreCopy).toHaveBeenCalledWith('before-restore-2026-05-12T19-30-00'));
});

it('says a refusal, and keeps the schedule as typed', async () => {
  file.previewCopy.mockRejectedValue(new Error('The file is damaged.'));
  show();
  fireEvent.click(screen.getByRole('button', { name: /^Look at it: the copy of/ }));
  await screen.findByText('The file is damaged.');
  const every = screen.getByLabelText('Every');
  fireEvent.change(every, { target: { value: '7' } });
  fireEvent.blur(every);
  expect(onSave).toHaveBeenCalledWith(
    { temperature: 'C', volume: 'ml', copies: { everyDays: 7, keep: 5 } },
    'schedule of copies',
  );
  // What was sent to be looked at is no copy of the bench.
  expect(screen.getAllByRole('button', { name: /^Look at it: the copy of/ })).toHaveLength(1);
});
