// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import type { BuildRecord } from '../../../../api/index.ts';
import {
  assembleStock,
  EMPTY_KIT,
  newRecord,
  paneRecord,
  plainPart,
  viewRecord,
  type Kit,
  type Pane,
} from '../../../../core/kit/index.ts';
import type { KitSummary } from '../../../../core/plan/index.ts';
import { changeKit } from '../../../data/kit.ts';
import { GlassView } from './GlassView.tsx';

vi.mock('../../../data/kit.ts', () => ({ changeKit: vi.fn() }));
vi.mock('../../../data/inWorker.ts', () => ({ inWorker: vi.fn() }));
const changed = vi.mocked(changeKit);

const pane = (id: string, partId: string, more: Partial<Pane> = {}): Pane => ({
  ...newRecord(paneRecord),
  id,
  name: `Pane ${id}`,
  partId,
  ...more,
});
const view = {
  ...newRecord(viewRecord),
  id: 'v',
  name: 'Left',
  side: 'left' as const,
  outline: 'M0 0H80V40H0Z',
  openings: [{ id: 'o', name: 'door glass', path: 'M10 10H30V20H10Z' }],
};
const show = (panes: Pane[], more: Partial<Kit> = {}, fogs: KitSummary['fogs'] = []) =>
  render(
    <MantineProvider env="test">
      <MemoryRouter>
        <GlassView
          build={{ id: 'b', name: 'Coupe', scale: 24, kit: { fogs } as Partial<KitSummary> } as BuildRecord}
          kit={{
            ...EMPTY_KIT,
            parts: ['G1', 'G2', 'F1'].map((id) => plainPart(id, { name: `Part ${id}` })),
            views: [view],
            panes,
            ...more,
          }}
          stock={assembleStock([])}
        />
      </MemoryRouter>
    </MantineProvider>,
  );

describe('glass', () => {
  beforeEach(() => {
    matchMediaStandIn();
    changed.mockReset().mockResolvedValue(undefined);
  });
  afterEach(cleanup);

  it('stands in an order with its reasons', () => {
    show([pane('a', 'G1', { behind: ['F1'] }), pane('b', 'G2', { first: true })]);
    expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
      'Pane b',
      'F1 Part F1',
      'Pane aPane a shuts in part f1',
    ]);
  });

  it('says why there is none, and where two come first', () => {
    show([pane('a', 'G1', { behind: ['G2'] }), pane('b', 'G2', { behind: ['G1'] })]);
    expect(screen.getByRole('alert').textContent).toMatch(/No order of fitting.*Pane a shuts in part g2/);
    cleanup();
    show([pane('a', 'G1', { first: true }), pane('b', 'G2', { first: true })]);
    expect(screen.getByText(/more than one is said to come first/)).toBeTruthy();
  });

  it('draws the mask of an opening, and says where that is gone', () => {
    show([pane('a', 'G1', { viewId: 'v', openingId: 'o', maskMm: 0.5 })]);
    expect(screen.getByRole('img', { name: 'Mask of Pane a' }).getAttribute('viewBox')).toMatch(/^-1 -1 25/);
    cleanup();
    show([pane('a', 'G1', { viewId: 'v', openingId: 'gone' })]);
    expect(screen.getByRole('alert').textContent).toMatch(/no such opening any more/);
    cleanup();
    show([pane('a', 'G1', { viewId: 'v', openingId: 'o', maskMm: -3 })]);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('tells how thick it looks, and that its edge is hidden', () => {
    show([pane('a', 'G1', { gaugeMm: 0.9 })]);
    expect(screen.getByText(/its open edge shows it/).textContent).toMatch(/×4\.3/);
    cleanup();
    show([pane('a', 'G1', { gaugeMm: 0.9, edge: 'rubber', flaws: 'hazy' })]);
    expect(screen.getByText(/hidden by what runs round it/)).toBeTruthy();
    expect(screen.getByText(/Polish it out: 4000 wet/)).toBeTruthy();
  });

  it('is changed at its card', () => {
    show([pane('a', 'G1')]);
    expect(screen.getByText(/Nothing has an opening for it yet/)).toBeTruthy();
    fireEvent.click(screen.getByRole('checkbox', { name: 'It comes first' }));
    expect(changed.mock.calls[0]![1]).toMatchObject([{ kind: 'pane', id: 'a', value: { first: true } }]);
  });

  it('says what fogs it, and where its frame is traced', () => {
    const near = [{ name: 'Pane a', mm: 12, joinIds: [] }];
    show([pane('a', 'G1'), pane('b', 'G2')], { views: [] }, [
      { jointId: 'j', joinId: 'on', name: 'Strut to floor', adhesive: 'cyanoacrylate gel', near },
    ]);
    expect(screen.getAllByText(/cyanoacrylate gel on Strut to floor, 12 mm away, fogs it/)).toHaveLength(1);
    expect(screen.getByRole('link', { name: 'Views and areas' }).getAttribute('href')).toBe(
      '/build/b/livery',
    );
  });
});
