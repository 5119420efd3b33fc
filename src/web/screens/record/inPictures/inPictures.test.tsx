// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import type { BuildRecord, CodeRecord } from '../../../../api/index.ts';
import { EMPTY_KIT, newRecord, photoRecord, type Photo } from '../../../../core/kit/index.ts';
import type { PlanView } from '../../../../core/plan/index.ts';
import { useCodes } from '../../../data/bench.ts';
import { usePicture } from '../../codes/usePicture.ts';
import { useSizes } from '../pictures/useSizes.ts';
import { InPictures } from './InPictures.tsx';

vi.mock('../../../data/bench.ts', () => ({ useCodes: vi.fn() }));
vi.mock('../../../data/useKitChange.ts', () => ({
  useKitChange: () => ({ problem: null, change: vi.fn() }),
}));
vi.mock('../../codes/usePicture.ts', () => ({ usePicture: vi.fn() }));
vi.mock('../pictures/useSizes.ts', () => ({ useSizes: vi.fn() }));

const code = (id: string, L: number, kind: CodeRecord['kind'] = 'solid') =>
  ({
    id,
    code: id,
    name: `Colour ${id}`,
    kind,
    gloss: 90,
    spectrum: new Array<number>(31).fill(((L + 16) / 116) ** 3),
    sources: [
      {
        provenance: 'instrument',
        note: '',
        lab: { L, a: 0, b: 0 },
        uncertainty: 1,
        geometry: '45:0',
        inForce: true,
      },
    ],
  }) as unknown as CodeRecord;

const photo = (id: string, of: Photo['of'], more: Partial<Photo> = {}): Photo => ({
  ...newRecord(photoRecord),
  id,
  pictureId: id,
  what: `Picture ${id}`,
  of,
  at: 29_000_000,
  ...more,
});
const build = {
  id: 'b',
  trays: [
    {
      id: 'body',
      name: 'Body',
      parts: [{ id: 'A1' }],
      codeId: 'cream',
      layers: [{ kind: 'colour', codeId: 'cream' }],
    },
  ],
} as unknown as BuildRecord;
const view = { operations: [{ id: 'red', trayId: 'body' }] } as unknown as PlanView;
const open = vi.fn(() => Promise.resolve());
const read = (L: number, uncertainty: number) =>
  vi.mocked(usePicture).mockReturnValue({
    picture: { url: 'blob:x', name: 'x' },
    open,
    problem: undefined,
    colours: [{ lab: { L, a: 0, b: 0 }, spread: 0, uncertainty, warnings: ['A warning of the picture.'] }],
  });

beforeEach(() => {
  matchMediaStandIn();
  vi.clearAllMocks();
  vi.mocked(useCodes).mockReturnValue({ data: [code('black', 10), code('cream', 80)] } as never);
  vi.mocked(useSizes).mockReturnValue(new Map());
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.resolve(new Response(new Blob(['bytes'])))),
  );
  read(80, 4.5);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const show = (photos: Photo[]) =>
  render(
    <MantineProvider env="test">
      <MemoryRouter>
        <InPictures
          {...{ build, view, at: { operationId: 'red', partId: 'A1' }, title: 'A run', onClose: vi.fn() }}
          kit={{
            ...EMPTY_KIT,
            photos,
            finishes: [{ id: 'f', name: 'Frame black', look: 'gloss', codeId: 'black' }],
          }}
        />
      </MemoryRouter>
    </MantineProvider>,
  );
const marked = async () => {
  fireEvent.click(screen.getByText('colour against its target'));
  await waitFor(() => expect(open).toHaveBeenCalled());
  fireEvent.click(screen.getByRole('button', { name: 'Mark the grey card in the middle' }));
  fireEvent.click(screen.getByRole('button', { name: 'Mark the colour in the middle' }));
};

describe('a finding in pictures', () => {
  it('lays the nearest picture of the model beside the real thing', () => {
    show([
      photo('far', 'build'),
      photo('near', 'build', { partId: 'A1', at: 1 }),
      photo('real', 'reference'),
    ]);
    const shown = [...document.querySelectorAll('figure img')].map((image) => image.getAttribute('alt'));
    expect(shown).toEqual(['Picture real', 'Picture near']);
  });

  it('says where pictures come from when there is none', () => {
    show([]);
    expect(screen.getByRole('link', { name: 'Add some' }).getAttribute('href')).toBe(
      '/build/b/record/pictures',
    );
  });

  it('compares a marked colour with that of its sub-assembly first, with its doubt', async () => {
    show([photo('near', 'build', { partId: 'A1' })]);
    await marked();
    expect(screen.getByText(/No difference that a picture could show/)).toBeTruthy();
    expect(screen.getByText('wanted: Colour cream')).toBeTruthy();
    expect(screen.getByText('A warning of the picture.')).toBeTruthy();
    // The grey card and the colour are asked for in one question.
    const question = vi.mocked(usePicture).mock.calls.at(-1)![0];
    expect(question.cards).toMatchObject([{ name: 'grey card', reflectance: 0.18 }]);
    expect(question.patches).toHaveLength(1);
  });

  it('says which way another colour lies, and what a metallic hides', async () => {
    vi.mocked(useCodes).mockReturnValue({ data: [code('cream', 80, 'metallic')] } as never);
    read(40, 4.5);
    show([photo('near', 'build')]);
    await marked();
    expect(screen.getByText('Another colour').parentElement!.textContent).toMatch(/darker.*dE/);
    expect(screen.getByText(/changes with the angle/)).toBeTruthy();
  });

  it('says that a picture could not be fetched', async () => {
    vi.stubGlobal(
      'fetch',
      vi.fn(() => Promise.resolve(new Response(null, { status: 503 }))),
    );
    show([photo('near', 'build')]);
    fireEvent.click(screen.getByText('colour against its target'));
    expect(await screen.findByText(/could not be fetched/)).toBeTruthy();
    expect(open).not.toHaveBeenCalled();
  });
});
