// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { typeface } from '../../../../tests/typeface.ts';
import type { CodeRecord } from '../../../api/index.ts';
import { DAYLIGHT, recoverSpectrum, spectrumToDisplay } from '../../../core/colour/index.ts';
import {
  EMPTY_KIT,
  filmFields,
  initialOf,
  liveryAreaRecord,
  newRecord,
  printingRecord,
  viewRecord,
  type Kit,
  type KitChange,
  type LiveryArea,
  type LiveryView,
} from '../../../core/kit/index.ts';
import { plainFinish } from '../../../core/kit/plainKit.ts';
import { filmSheets, filmTemplates, measureView } from '../../../core/livery/index.ts';
import { AreasOf } from './AreasOf.tsx';
import { BesideViews } from './BesideViews.tsx';
import { FilmCut } from './FilmCut.tsx';
import { Spoons } from './Spoons.tsx';
import { ViewParts } from './ViewParts.tsx';

const doubles = vi.hoisted(() => ({ saveFile: vi.fn() }));
vi.mock('../../data/saveFile.ts', () => ({ saveFile: doubles.saveFile }));
// Here without a worker: what the page asks of it is worked out at once.
vi.mock('../../data/useTask.ts', () => ({
  useTask: ({ question }: { question: Parameters<typeof cut>[0] | undefined }) => ({
    state: { kind: 'done' },
    newest: question && cut(question),
  }),
}));
interface Question {
  seen: Parameters<typeof filmTemplates>[0];
  lay: Parameters<typeof filmTemplates>[1];
  printing: Parameters<typeof filmSheets>[1];
}
function cut({ seen, lay, printing }: Question) {
  const templates = filmTemplates(seen, lay);
  const { pages, tooLarge } = filmSheets(templates, printing, typeface);
  return { templates, pages, tooLarge, drawings: pages.map(() => '<svg/>') };
}

const view: LiveryView = {
  ...newRecord(viewRecord),
  id: 'v',
  name: 'Side',
  outline: 'M0 0H100V50H0Z',
  finishId: 'teal',
  slope: 1,
};
const area = (id: string, more: Partial<LiveryArea> = {}): LiveryArea => ({
  ...newRecord(liveryAreaRecord),
  id,
  viewId: 'v',
  finishId: 'cream',
  name: id,
  shape: 'rectangle',
  x: 30,
  y: 20,
  width: 30,
  height: 20,
  order: 4,
  ...more,
});
const panel = area('panel');
const kit: Kit = {
  ...EMPTY_KIT,
  finishes: [
    { ...plainFinish('teal', 'gloss'), codeId: 'c' },
    plainFinish('cream', 'gloss'),
    plainFinish('red', 'gloss'),
  ],
  views: [view],
  liveryAreas: [panel],
};
const measured = measureView(view, [panel], 'teal');
const show = (shown: ReactNode) =>
  render(
    <MantineProvider env="test">
      <MemoryRouter>{shown}</MemoryRouter>
    </MantineProvider>,
  );

beforeEach(() => {
  matchMediaStandIn();
  // A text that grows waits for its typeface.
  Object.defineProperty(document, 'fonts', { value: new EventTarget(), configurable: true });
  doubles.saveFile.mockReset();
});
afterEach(cleanup);

describe('the areas of a view', () => {
  const areasOf = (more: Partial<Parameters<typeof AreasOf>[0]> = {}) => {
    const [onChange, onProblem] = [vi.fn(), vi.fn()];
    show(
      <AreasOf
        buildId="b"
        view={view}
        kit={kit}
        areas={[panel]}
        chosen={panel}
        hexOf={() => '#888'}
        onChoose={vi.fn()}
        onChange={onChange}
        onProblem={onProblem}
        {...more}
      />,
    );
    const changed = () => (onChange.mock.calls[0]![0] as KitChange[])[0]!.value as LiveryArea;
    return { onChange, onProblem, changed };
  };

  it('get a mirror image on the other half, over all of them, so that it can be raised and lowered', () => {
    const { changed } = areasOf();
    fireEvent.click(screen.getByRole('button', { name: 'Add its mirror image' }));
    expect(changed()).toMatchObject({ x: 70, y: 20, order: 5, name: 'panel, mirrored' });
    expect(changed().id).not.toBe('panel');
    cleanup();
    const above = areasOf({ view: { ...view, side: 'top' } });
    fireEvent.click(screen.getByRole('button', { name: 'Add its mirror image' }));
    expect(above.changed()).toMatchObject({ x: 30, y: 30 });
  });

  it('are laid along a line within reach, and it is said where none is', () => {
    const lay = () => fireEvent.click(screen.getByRole('button', { name: /Lay its edge/ }));
    const lined = (path: string) => ({ ...view, mouldings: [{ id: 'l', name: 'waist', path }] });
    const near = areasOf({ view: lined('M0 31 H100') });
    lay();
    expect(near.changed()).toMatchObject({ y: 21, height: 20 });
    cleanup();
    const far = areasOf({ view: lined('M0 45 H100') });
    lay();
    expect(far.onChange).not.toHaveBeenCalled();
    expect(far.onProblem.mock.calls[0]![0]).toContain('within 1.5 mm');
  });
});

describe('what belongs to a view', () => {
  const parts = (path: string) => {
    const [onChange, onProblem] = [vi.fn(), vi.fn()];
    show(
      <ViewParts
        view={{ ...view, mouldings: [{ id: 'l', name: 'shut line', path }] }}
        kit={kit}
        buildId="b"
        areas={[]}
        finishId="teal"
        onChange={onChange}
        onProblem={onProblem}
      />,
    );
    return { onChange, onProblem };
  };

  it('is coloured up to a line in another finish than lies there, the side called as it lies', () => {
    const { onChange } = parts('M40 0 V50');
    fireEvent.click(screen.getByRole('button', { name: 'Colour left of it' }));
    const [[{ value }]] = onChange.mock.calls[0] as [[KitChange]];
    // Teal is what the view has already.
    expect(value).toMatchObject({ finishId: 'cream', shape: 'path', name: 'left of the shut line' });
    const { areas } = measureView(view, [value as LiveryArea], 'teal');
    expect(areas.find(({ finishId }) => finishId === 'cream')!.flatCm2).toBeCloseTo(20, 2);
  });

  it('says where a line divides nothing', () => {
    const { onChange, onProblem } = parts('M0 90 H100');
    fireEvent.click(screen.getByRole('button', { name: 'Colour above it' }));
    expect(onChange).not.toHaveBeenCalled();
    expect(onProblem.mock.calls[0]![0]).toContain('does not divide the view');
  });
});

describe('a view beside the others', () => {
  it('shows them in their colours, each as a way to it', () => {
    show(
      <BesideViews
        views={[{ ...view, name: 'Other side' }]}
        measured={[{ viewId: 'v', measured }]}
        hexOf={(id) => (id === 'cream' ? '#f4efe2' : '#3e8e8e')}
        addressOf={(id) => `/to/${id}`}
      />,
    );
    expect(screen.getByRole('link', { name: 'Other side' }).getAttribute('href')).toBe('/to/v');
    expect([...document.querySelectorAll('path[fill]')].map((path) => path.getAttribute('fill'))).toEqual([
      '#3e8e8e',
      '#f4efe2',
    ]);
    cleanup();
    show(<BesideViews views={[]} measured={[]} hexOf={String} addressOf={String} />);
    expect(screen.queryByRole('list')).toBeNull();
  });
});

describe('spoons of a view', () => {
  it('are as the stacks will leave them, and say how far from the code; else as the code asks', () => {
    const [asked, made] = [
      recoverSpectrum({ L: 55, a: -25, b: -8 }),
      recoverSpectrum({ L: 50, a: -20, b: -8 }),
    ];
    const codes = [{ id: 'c', spectrum: asked }] as unknown as CodeRecord[];
    const spoons = (predicted: ReadonlyMap<string, { spectrum: number[]; gloss: number }>) =>
      show(<Spoons kit={kit} codes={codes} measured={measured} light="D65" predicted={predicted} />);
    spoons(new Map([['teal', { spectrum: made, gloss: 90 }]]));
    expect(screen.getByText(/^\d+\.\d dE from its code$/)).toBeTruthy();
    expect(screen.getByText('no colour yet')).toBeTruthy();
    const hex = spectrumToDisplay(made, DAYLIGHT).hex;
    expect(document.querySelector(`[fill="${hex}"]`)).not.toBeNull();
    // Red is on no area of it.
    expect(screen.queryByText('red')).toBeNull();
    cleanup();
    spoons(new Map());
    expect(screen.getByText('no stack yet: as its code asks')).toBeTruthy();
  });
});

describe('an area cut from patterned film', () => {
  const printing = { ...newRecord(printingRecord), id: 'p' };
  const film = (more: Partial<LiveryArea>, of = printing, on = measured) => {
    const onSave = vi.fn();
    show(<FilmCut area={area('panel', more)} view={view} measured={on} printing={of} onSave={onSave} />);
    return onSave;
  };
  const usual = initialOf(filmFields);

  it('is begun and ended with a press, and keeps what is said of it', () => {
    const onSave = film({});
    fireEvent.click(screen.getByRole('button', { name: 'Cut it from film' }));
    expect(onSave.mock.calls).toEqual([[{ film: usual }]]);
    cleanup();
    const changed = film({ film: usual });
    fireEvent.click(screen.getByRole('checkbox', { name: /other side/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Not from film' }));
    expect(changed.mock.calls).toEqual([[{ film: { ...usual, bothSides: false } }], [{ film: undefined }]]);
  });

  it('says how many pieces and how much film, and gives the sheets', () => {
    film({ film: { ...usual, marginMm: 2 } });
    // 30 by 20 mm and its margin, twice; four corners are cut out.
    const said = screen.getByText(/of film/).textContent;
    expect(said).toMatch(/^2 pieces, 1[5-6]\.\d cm² of film/);
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('The template, 34.0 by 24.0 mm');
    fireEvent.click(screen.getByRole('button', { name: 'Save sheet as SVG' }));
    expect(doubles.saveFile.mock.calls[0]![0]).toBe('panel-film-1.svg');
  });

  it('says what no sheet holds, and where nothing of it is seen', () => {
    film({ film: usual }, { ...printing, paper: 'own', widthMm: 40, heightMm: 60 });
    expect(screen.getByText(/2 pieces larger than the sheet/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /PDF/ })).toBeNull();
    cleanup();
    const hidden = measureView(view, [panel, area('over', { order: 9, finishId: 'red' })], 'teal');
    film({ film: usual }, printing, hidden);
    expect(screen.getByText(/no film is needed/)).toBeTruthy();
  });
});
