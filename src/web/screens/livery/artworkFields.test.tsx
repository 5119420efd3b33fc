// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { PATHS } from '../../../api/index.ts';
import type { Artwork, Marking } from '../../../core/kit/index.ts';
import { ArtworkFields } from './ArtworkFields.tsx';
import { freshMarking } from './freshMarking.ts';
import { MarkingShape } from './MarkingShape.tsx';

const plain = freshMarking('m', 'v', { x: 50, y: 25 }, []);
const marking = (artwork: Partial<Artwork>, more: Partial<Marking> = {}): Marking => ({
  ...plain,
  ...more,
  artwork: { ...plain.artwork, ...artwork },
});
const own = [{ id: 'f'.repeat(32), name: 'Bandstand Bold' }];

/** A server that knows the builder's own typefaces, and keeps what is sent. */
function answering(answers: Record<string, () => Response>) {
  const asked: string[] = [];
  vi.stubGlobal('fetch', (path: string, { method = 'GET' }: RequestInit = {}) => {
    asked.push(`${method} ${path}`);
    return Promise.resolve(answers[`${method} ${path}`]?.() ?? Response.json(own));
  });
  return asked;
}

const show = (of: Marking, onSave = vi.fn()) => {
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <MantineProvider env="test">
        <ArtworkFields marking={of} buildId="b" onSave={onSave} />
      </MantineProvider>
    </SWRConfig>,
  );
  return onSave;
};

describe('own artwork', () => {
  beforeEach(() => {
    matchMediaStandIn();
  });
  afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
  });

  it('asks of each kind what that needs, and nothing else', () => {
    answering({});
    const labels = (kind: Artwork['kind']) => {
      show(marking({ kind, shade: '#111111' }));
      const found = [...document.querySelectorAll('label')].map(({ textContent }) => textContent);
      cleanup();
      return found;
    };
    expect(labels('none')).toEqual(['Own artwork']);
    expect(labels('picture')).toEqual(['Own artwork']);
    expect(labels('drawing')).toEqual(['Own artwork', 'Ink', 'Ground']);
    expect(labels('weave')).toEqual(['Own artwork', 'How many', 'Ink', 'Ground']);
    expect(labels('scroll')).toEqual([
      'Own artwork',
      'It says',
      'Typeface',
      'Ink',
      'Ground',
      'Shade of the letters',
      'Depth of the shade, mm',
      'Arch, mm',
    ]);
  });

  it('is lettered in own typefaces, and says where one is not on the bench', async () => {
    answering({});
    const onSave = show(marking({ kind: 'label', text: 'OIL', face: 'gone' }));
    const face = screen.getByRole<HTMLInputElement>('combobox', { name: 'Typeface' });
    expect(face.value).toBe('not on this bench');
    fireEvent.click(face);
    fireEvent.click(await screen.findByText('Bandstand Bold'));
    expect(onSave.mock.calls[0]![0]).toMatchObject({ artwork: { face: own[0]!.id, text: 'OIL' } });
  });

  it('takes a font file, and says why one was refused', async () => {
    const problem = { type: '/problems/no-typeface', title: 'No', status: 415, detail: 'It has no letters.' };
    let refuses = true;
    const asked = answering({
      [`POST ${PATHS.typefaces}`]: () =>
        refuses ? Response.json(problem, { status: 415 }) : Response.json(own[0]!, { status: 201 }),
    });
    const onSave = show(marking({ kind: 'label' }));
    const input = document.querySelector<HTMLInputElement>('input[type=file]')!;
    const choose = () => fireEvent.change(input, { target: { files: [new File(['x'], 'bold.ttf')] } });
    choose();
    expect(
      await screen.findByText(/bold.ttf was not opened, and nothing was changed. It has no letters/),
    ).toBeTruthy();
    expect(onSave).not.toHaveBeenCalled();
    refuses = false;
    choose();
    await waitFor(() => expect(onSave).toHaveBeenCalled());
    expect(onSave.mock.calls[0]![0]).toMatchObject({ artwork: { face: own[0]!.id } });
    expect(asked.filter((each) => each.startsWith('POST'))).toHaveLength(2);
  });

  it('takes a picture in its resolution, or in proportion where the file says none', async () => {
    let dpi: number | null = 600;
    const path = '/api/builds/b/pictures';
    answering({
      [`POST ${path}`]: () => Response.json({ id: 'p', width: 600, height: 300, dpi }, { status: 201 }),
    });
    const onSave = show(marking({ kind: 'picture' }, { width: 60, height: 5 }));
    const choose = () =>
      fireEvent.change(document.querySelector('input[type=file]')!, {
        target: { files: [new File(['x'], 'crest.png', { type: 'image/png' })] },
      });
    choose();
    await waitFor(() => expect(onSave).toHaveBeenCalledTimes(1));
    expect(onSave.mock.calls[0]![0]).toEqual({ width: 25.4, height: 12.7, pictureId: 'p' });
    expect(screen.getByText(/600 to the inch/)).toBeTruthy();
    dpi = null;
    choose();
    await waitFor(() => expect(onSave).toHaveBeenCalledTimes(2));
    expect(onSave.mock.calls[1]![0]).toEqual({ height: 30, pictureId: 'p' });
    expect(screen.getByText(/Below 300 they show/)).toBeTruthy();
  });

  it('shows its picture where the marking lies, the other way round where it is mirrored', () => {
    const of = marking({ kind: 'picture' }, { pictureId: 'p', mirrored: true, width: 20 });
    render(
      <svg>
        <MarkingShape marking={of} drawn={{ shapes: [], tooFine: [] }} />
      </svg>,
    );
    const image = document.querySelector('image')!;
    expect(image.getAttribute('href')).toBe('/api/pictures/p');
    expect(image.getAttribute('transform')).toBe('translate(20 0) scale(-1 1)');
  });
});
