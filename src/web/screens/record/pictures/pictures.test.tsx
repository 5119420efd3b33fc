// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../../api/index.ts';
import { EMPTY_KIT, plainPart } from '../../../../core/kit/index.ts';
import type { PlanView } from '../../../../core/plan/index.ts';
import type { AlbumPicture } from '../../../../core/record/index.ts';
import { changeKit, keepPicture } from '../../../data/kit.ts';
import { AddPictures } from './AddPictures.tsx';
import { Album } from './Album.tsx';
import { Compared } from './Compared.tsx';
import { MarkedPicture } from './MarkedPicture.tsx';
import { PicturesDue } from './PicturesDue.tsx';
import { useSizes } from './useSizes.ts';

vi.mock('../../../data/kit.ts', () => ({ changeKit: vi.fn(() => Promise.resolve()), keepPicture: vi.fn() }));
vi.mock('./useSizes.ts', () => ({ useSizes: vi.fn() }));
beforeEach(() => {
  matchMediaStandIn();
  vi.clearAllMocks();
  vi.mocked(useSizes).mockReturnValue(
    new Map([
      ['a', { width: 100, height: 100 }],
      ['b', { width: 100, height: 100 }],
    ]),
  );
});
afterEach(cleanup);

const show = (node: ReactNode) => render(<MantineProvider env="test">{node}</MantineProvider>);
const build = { id: 'b', trays: [{ id: 'body', name: 'Body' }] } as BuildRecord;
const kit = { ...EMPTY_KIT, parts: [plainPart('A1', { name: 'Shell' })] };
const picture = (id: string, more: Partial<AlbumPicture> = {}): AlbumPicture => ({
  id,
  pictureId: id,
  from: 'album',
  isReference: false,
  what: `Picture ${id}`,
  partId: null,
  trayId: null,
  operationId: null,
  marks: [],
  at: 29_000_000,
  ...more,
});

describe('the album', () => {
  it('is grouped as it is asked, and fetches small copies', () => {
    const album = [
      picture('a', { partId: 'A1', trayId: 'body' }),
      picture('b', { isReference: true, at: null }),
    ];
    const onPick = vi.fn();
    const { container } = show(<Album {...{ build, kit, album, onPick }} picked={['a']} />);
    expect(screen.getByRole('heading', { name: 'without a day' })).toBeTruthy();
    for (const image of container.querySelectorAll('img'))
      expect(image.getAttribute('src')).toMatch(/size=small$/);
    fireEvent.click(screen.getByLabelText('Part'));
    expect(within(screen.getByRole('region', { name: 'Shell' })).getAllByRole('button')).toHaveLength(1);
    expect(screen.getByRole('region', { name: 'of no part' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Look at: Picture b' }));
    expect(onPick).toHaveBeenCalledWith('b');
  });
});

describe('adding pictures', () => {
  it('keeps those that can be read, and names the one that cannot', async () => {
    vi.mocked(keepPicture)
      .mockResolvedValueOnce('p1')
      .mockRejectedValueOnce(new RangeError('“note.txt” is no picture that this browser can read.'));
    show(<AddPictures build={build} kit={kit} />);
    const files = [new File(['x'], 'left side.jpg'), new File(['y'], 'note.txt')];
    fireEvent.change(screen.getByLabelText('Pictures'), { target: { files } });
    expect(await screen.findByText('1 picture kept.')).toBeTruthy();
    expect(screen.getByText(/“note\.txt” is no picture/)).toBeTruthy();
    expect(vi.mocked(changeKit).mock.calls[0]![1]).toMatchObject([
      { kind: 'photo', value: { pictureId: 'p1', what: 'left side', of: 'build' } },
    ]);
  });
});

describe('marks on a picture', () => {
  const press = (marks: AlbumPicture['marks'], detail = 1) => {
    const onMarks = vi.fn();
    show(<MarkedPicture picture={picture('a', { marks })} onMarks={onMarks} />);
    const button = screen.getByRole('button');
    button.getBoundingClientRect = () => ({ left: 10, top: 10, width: 200, height: 100 }) as DOMRect;
    fireEvent.click(button, { clientX: 60, clientY: 60, detail });
    cleanup();
    return onMarks.mock.calls[0]?.[0] as unknown;
  };
  it('are two, where it was pressed; a third begins anew', () => {
    const first = { x: 0.25, y: 0.5 };
    expect(press([])).toEqual([first]);
    expect(press([{ x: 0, y: 0 }])).toEqual([{ x: 0, y: 0 }, first]);
    expect(
      press([
        { x: 0, y: 0 },
        { x: 1, y: 1 },
      ]),
    ).toEqual([first]);
    // Without a place it is no mark.
    expect(press([], 0)).toBeUndefined();
  });
});

describe('marks by the keyboard', () => {
  it('are led by the arrows and set by enter; the first press shows where the cross is', () => {
    const onMarks = vi.fn();
    show(<MarkedPicture picture={picture('a')} onMarks={onMarks} />);
    const button = screen.getByRole('button', { name: /^Mark a point on/ });
    fireEvent.click(button, { detail: 0 });
    expect(onMarks).not.toHaveBeenCalled();
    fireEvent.keyDown(button, { key: 'ArrowLeft' });
    fireEvent.keyDown(button, { key: 'ArrowDown', shiftKey: true });
    fireEvent.click(button, { detail: 0 });
    expect(onMarks).toHaveBeenCalledWith([{ x: 0.48, y: 0.502 }]);
    for (let press = 0; press < 60; press++) fireEvent.keyDown(button, { key: 'ArrowUp' });
    fireEvent.click(button, { detail: 0 });
    expect(onMarks).toHaveBeenLastCalledWith([{ x: 0.48, y: 0 }]);
  });
});

describe('two pictures', () => {
  const marks = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
  ];
  it('are slid over each other once both are marked', () => {
    const onPut = vi.fn();
    const { container } = show(
      <Compared kit={kit} pictures={[picture('a', { marks }), picture('b', { marks })]} onPut={onPut} />,
    );
    fireEvent.click(screen.getByLabelText('slid over'));
    expect(screen.getByRole('img', { name: 'Picture b laid over Picture a' })).toBeTruthy();
    expect(container.querySelectorAll('image')[1]!.getAttribute('transform')).toBe('matrix(1 0 0 1 0 0)');
  });

  it('ask for their marks before', () => {
    show(<Compared kit={kit} pictures={[picture('a', { marks }), picture('b')]} onPut={vi.fn()} />);
    fireEvent.click(screen.getByLabelText('slid over'));
    expect(screen.getByText(/Mark two points on each/)).toBeTruthy();
  });

  it('go out of the album, but for what is kept with a conflict', () => {
    const onPut = vi.fn();
    show(
      <Compared
        kit={kit}
        pictures={[picture('a'), picture('b', { from: 'evidence', what: 'Dash' })]}
        onPut={onPut}
      />,
    );
    expect(screen.queryByRole('button', { name: /Dash/ })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Take out of the album: Picture a' }));
    expect(onPut).toHaveBeenCalledWith(expect.objectContaining({ id: 'a' }), null, expect.any(String));
  });
});

describe('milestones', () => {
  it('that are missing say until when they can be taken', () => {
    const operations = [
      { id: 'x', buildId: 'b', title: 'Engine', photo: 'the engine from both sides' },
      { id: 'y', buildId: 'b', title: 'Body over chassis' },
      { id: 'z', buildId: 'b', title: 'Last', photo: 'the whole' },
    ];
    const view = {
      operations,
      starts: { y: 29_000_100, z: 29_000_200 },
      advice: [],
      problem: null,
      stuck: {},
    } as unknown as PlanView;
    const { unmount } = show(<PicturesDue build={build} kit={kit} view={view} />);
    expect(screen.getByText(/the engine from both sides/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Add the picture' })).toBeTruthy();
    expect(screen.getByText(/the whole/)).toBeTruthy();
    unmount();
    // Without a plan nothing is known to be done.
    show(<PicturesDue build={build} kit={kit} view={{ ...view, starts: {}, problem: 'no session' }} />);
    expect(screen.queryByRole('button', { name: 'Add the picture' })).toBeNull();
  });
});
