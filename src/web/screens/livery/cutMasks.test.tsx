// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { typeface } from '../../../../tests/typeface.ts';
import {
  EMPTY_KIT,
  liveryAreaRecord,
  maskingRatesRecord,
  newRecord,
  printingRecord,
  viewRecord,
  type Kit,
  type KitChange,
} from '../../../core/kit/index.ts';
import { plainFinish } from '../../../core/kit/plainKit.ts';
import { cutSheets, maskPieces, openingPieces, planLivery } from '../../../core/livery/index.ts';
import { CutMasks } from './CutMasks.tsx';
import { MaskingPace } from './MaskingPace.tsx';

const doubles = vi.hoisted(() => ({ changeKit: vi.fn(), saveFile: vi.fn() }));
vi.mock('../../data/kit.ts', () => ({ changeKit: doubles.changeKit, useKit: vi.fn() }));
vi.mock('../../data/saveFile.ts', () => ({ saveFile: doubles.saveFile }));
// Here without a worker: what the page asks of it is worked out at once.
vi.mock('../../data/useTask.ts', () => ({
  useTask: ({ question }: { question: Parameters<typeof cut>[0] | undefined }) => ({
    state: { kind: 'done' },
    newest: question && cut(question),
  }),
}));
interface Question {
  views: Parameters<typeof maskPieces>[0];
  stages: Parameters<typeof maskPieces>[1];
  windows: { views: Parameters<typeof openingPieces>[0]; wanted: ReadonlySet<string> };
  printing: Parameters<typeof cutSheets>[1];
}
function cut({ views, stages, windows, printing }: Question) {
  const pieces = [
    ...maskPieces(views, stages, printing),
    ...openingPieces(windows.views, windows.wanted, printing),
  ];
  const sheets = cutSheets(pieces, printing, typeface);
  return { ...sheets, pieces, drawings: sheets.pages.map(() => '<svg/>') };
}

const view = { ...newRecord(viewRecord), id: 'v', name: 'Side', outline: 'M0 0H100V50H0Z' };
const kitOf = (height: number): Kit => ({
  ...EMPTY_KIT,
  finishes: [plainFinish('teal', 'gloss'), plainFinish('cream', 'gloss')],
  views: [view],
  liveryAreas: [
    { ...newRecord(liveryAreaRecord), id: 'a', viewId: 'v', finishId: 'cream', shape: 'band', y: 25, height },
  ],
});
const answerOf = (kit: Kit) =>
  planLivery({
    views: [{ view, baseId: 'teal' }],
    areas: kit.liveryAreas,
    finishes: kit.finishes.map((finish) => ({ ...finish, spectrum: null })),
  });
const show = (shown: ReactNode) =>
  render(
    <MantineProvider env="test">
      <MemoryRouter>{shown}</MemoryRouter>
    </MantineProvider>,
  );
const masks = (kit: Kit) =>
  show(
    <CutMasks
      build={{ id: 'coupe', name: 'Coupe' }}
      name="Body"
      body={{ trayId: 'body', views: [view] }}
      kit={kit}
      answer={answerOf(kit)}
    />,
  );

describe('masks and the pace of masking', () => {
  beforeAll(matchMediaStandIn);
  beforeEach(() => {
    doubles.changeKit.mockReset().mockResolvedValue(undefined);
    doubles.saveFile.mockReset();
  });
  afterEach(cleanup);

  it('are saved as a drawing and as a plot', () => {
    masks(kitOf(10));
    expect(screen.getByText(/1 sheet\./)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Save sheet for a cutter (HPGL)' }));
    const [name, plot] = doubles.saveFile.mock.calls[0] as [string, string];
    expect(name).toBe('coupe-body-masks-1.plt');
    expect(plot).toMatch(/^IN;\nSP1;\nPU\d+,\d+;\nPD/);
    fireEvent.click(screen.getByRole('button', { name: 'Save sheet as SVG' }));
    expect(doubles.saveFile.mock.lastCall![0]).toBe('coupe-body-masks-1.svg');
  });

  it('are cut for openings, too, where they are asked for, even where no colour is masked', () => {
    const glazed = { ...view, openings: [{ id: 'g', name: 'Side glass', path: 'M20 5H50V20H20Z' }] };
    const one = { ...kitOf(10), liveryAreas: [] };
    show(
      <CutMasks
        build={{ id: 'coupe', name: 'Coupe' }}
        name="Body"
        body={{ trayId: 'body', views: [glazed] }}
        kit={one}
        answer={answerOf(one)}
      />,
    );
    expect(screen.queryByRole('button', { name: /PDF/ })).toBeNull();
    fireEvent.click(screen.getByRole('checkbox', { name: 'Side glass, side' }));
    expect(screen.getByText(/1 piece on 1 sheet/)).toBeTruthy();
    fireEvent.click(screen.getByRole('checkbox', { name: 'Side glass, side' }));
    expect(screen.queryByText(/1 piece/)).toBeNull();
  });

  it('name what no sheet holds', () => {
    const small = { ...newRecord(printingRecord), id: 'p', paper: 'own' as const, widthMm: 40, heightMm: 40 };
    masks({ ...kitOf(10), printings: [small] });
    expect(screen.getAllByText(/side: larger than the sheet within its margins/).length).toBeGreaterThan(0);
    expect(screen.queryByRole('button', { name: /PDF/ })).toBeNull();
  });

  it('are weighed by the usual figures until a builder says others, and again after', async () => {
    show(<MaskingPace buildId="coupe" kit={EMPTY_KIT} />);
    expect(screen.getByText(/figures of an ordinary bench/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'see and change the figures' }));
    const setUp = screen.getByRole('textbox', { name: 'Changing the colour in the tool, minutes' });
    expect((setUp as HTMLInputElement).value).toBe('12');
    fireEvent.change(setUp, { target: { value: '20' } });
    fireEvent.blur(setUp);
    await waitFor(() => expect(doubles.changeKit).toHaveBeenCalledTimes(1));
    const sent = () => (doubles.changeKit.mock.lastCall as [string, KitChange[]])[1][0]!;
    expect(sent().value).toMatchObject({ setUp: 20, edgeTape: 0.4, byHand: { brush: { begin: 6 } } });
    cleanup();
    const own = { ...newRecord(maskingRatesRecord), id: 'r', setUp: 20 };
    show(<MaskingPace buildId="coupe" kit={{ ...EMPTY_KIT, maskingRates: [own] }} />);
    fireEvent.click(screen.getByRole('button', { name: 'see and change the figures' }));
    const brush = screen.getByRole('textbox', { name: 'By brush: minutes a cm of edge' });
    fireEvent.change(brush, { target: { value: '2' } });
    fireEvent.blur(brush);
    await waitFor(() => expect(doubles.changeKit).toHaveBeenCalledTimes(2));
    expect(sent()).toMatchObject({ id: 'r', value: { setUp: 20, byHand: { brush: { begin: 6, edge: 2 } } } });
    fireEvent.click(screen.getByRole('button', { name: 'Back to the usual figures' }));
    await waitFor(() => expect(sent().value).toBeNull());
  });
});
