// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import type { HandedOnPreview } from '../../../../api/index.ts';
import { previewDocument, takeDocument } from '../../../data/handOn.ts';
import { RequestProblem } from '../../../data/request.ts';
import { OpenHandedOn } from './OpenHandedOn.tsx';

vi.mock('../../../data/handOn.ts', () => ({ previewDocument: vi.fn(), takeDocument: vi.fn() }));
beforeEach(() => {
  matchMediaStandIn();
  vi.clearAllMocks();
});
afterEach(cleanup);

const preview: HandedOnPreview = {
  build: { id: 'b', name: 'Coupe', subject: '', scale: 24 },
  savedAt: '2026-05-12T18:00:00Z',
  comesInAs: 'Coupe (2)',
  isHere: true,
  counts: { parts: 12, trays: 1, steps: 3, cups: 0, pictures: 2 },
  shared: [
    { list: 'codes', fresh: 1, same: 2, differ: [] },
    {
      list: 'paints',
      fresh: 0,
      same: 4,
      differ: ['a', 'b', 'c', 'd', 'e'].map((id) => ({
        id,
        name: `Paint ${id}`,
        fields: ['priceCents', 'discontinuedOn'],
      })),
    },
  ],
  notes: ['kit.hovercraft is not known here and was passed over.'],
};
const file = new File(['{}'], 'coupe.json');

function show() {
  render(
    <MantineProvider env="test">
      <MemoryRouter>
        <OpenHandedOn />
      </MemoryRouter>
    </MantineProvider>,
  );
  fireEvent.change(screen.getByLabelText('Build that was handed on'), { target: { files: [file] } });
}

describe('a build that was handed on', () => {
  it('is looked at first: what is new, the same and different, and under which name it comes', async () => {
    vi.mocked(previewDocument).mockResolvedValue(preview);
    show();
    expect(
      await screen.findByText(/12 parts, 1 sub-assembly, 3 done steps, 0 cups, 2 pictures/),
    ).toBeTruthy();
    expect(screen.getByText(/comes in beside that, as/).textContent).toMatch(/Coupe \(2\)/);
    expect(screen.getByText(/hovercraft/)).toBeTruthy();
    expect(screen.getByText('Paint a: price, discontinued on')).toBeTruthy();
    expect(screen.getByText('and 1 more')).toBeTruthy();
    // Only where something differs it is asked whose stands.
    expect(screen.getAllByRole('radiogroup')).toHaveLength(1);
    expect(takeDocument).not.toHaveBeenCalled();
  });

  it('comes in as it was decided', async () => {
    vi.mocked(previewDocument).mockResolvedValue(preview);
    vi.mocked(takeDocument).mockResolvedValue({ id: 'b2', name: 'Coupe (2)' } as never);
    show();
    fireEvent.click(await screen.findByLabelText('take theirs'));
    fireEvent.click(screen.getByRole('button', { name: 'Bring in Coupe (2)' }));
    expect(await screen.findByRole('link', { name: 'Coupe (2)' })).toBeTruthy();
    expect(vi.mocked(takeDocument).mock.calls).toEqual([[file, { paints: 'theirs' }, undefined]]);
  });

  it('is left, or refused with the reason and what to do', async () => {
    vi.mocked(previewDocument).mockResolvedValueOnce(preview);
    show();
    fireEvent.click(await screen.findByRole('button', { name: 'Leave it' }));
    expect(screen.queryByText(/12 parts/)).toBeNull();
    vi.mocked(previewDocument).mockRejectedValueOnce(
      new RequestProblem({
        type: 'x',
        title: 'x',
        status: 422,
        detail: 'kit.parts, entry 4: the count must lie between 1 and 200.',
        remedy: 'Nothing was changed.',
      }),
    );
    fireEvent.change(screen.getByLabelText('Build that was handed on'), { target: { files: [file] } });
    expect((await screen.findByRole('alert')).textContent).toBe(
      'kit.parts, entry 4: the count must lie between 1 and 200. Nothing was changed.',
    );
  });

  it('lists the builds of a whole bench, and looks at the one that is meant', async () => {
    vi.mocked(previewDocument).mockImplementation((_file, of) =>
      Promise.resolve(
        of === undefined
          ? {
              bench: [
                { name: 'Coupe', file: 'builds/1-Coupe.zip' },
                { name: 'Truck', file: 'builds/2-Truck.zip' },
              ],
              savedAt: '2026-05-12T18:00:00Z',
            }
          : preview,
      ),
    );
    vi.mocked(takeDocument).mockResolvedValue({ id: 'b', name: 'Coupe (2)' } as never);
    show();
    fireEvent.click(await screen.findByRole('button', { name: 'Look at Truck' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Bring in Coupe (2)' }));
    expect(await screen.findByRole('status')).toBeTruthy();
    expect(vi.mocked(takeDocument).mock.calls[0]![2]).toBe('builds/2-Truck.zip');
    // The others are still there to be looked at.
    expect(screen.getByRole('button', { name: 'Look at Coupe' })).toBeTruthy();
  });
});
