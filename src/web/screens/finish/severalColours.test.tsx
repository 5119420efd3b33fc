// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import type { TrayRecord } from '../../../api/index.ts';
import { evaluateStack, GENERIC_PRODUCTS, SUBSTRATES, type StackLayer } from '../../../core/finish/index.ts';
import type { PlannedLayer } from '../../../core/kit/index.ts';
import { CutThrough } from './CutThrough.tsx';
import { EdgeSteps } from './EdgeSteps.tsx';
import { OnColour, onFinish } from './OnColour.tsx';

const product = (id: string) => GENERIC_PRODUCTS.find((each) => each.id === id)!;
const layers: StackLayer[] = [
  { id: 'p', kind: 'primer', coats: 2, tool: 'airbrush', product: product('generic-primer-grey') },
  {
    id: 'pale',
    kind: 'colour',
    coats: 3,
    tool: 'airbrush',
    product: product('generic-primer-white'),
    finishId: 'cream',
    share: 0.3,
  },
  {
    id: 'dark',
    kind: 'colour',
    coats: 2,
    tool: 'airbrush',
    product: product('generic-rust-brown'),
    finishId: 'teal',
    share: 0.7,
  },
];
const stack = { substrate: SUBSTRATES[0]!, areaCm2: 100, scale: 24, layers };
const tray = {
  id: 'body',
  name: 'Body',
  layers: layers.map(({ product: _, ...layer }) => layer),
} as unknown as TrayRecord;
const finishNames = { cream: 'Cream', teal: 'Teal' };
const show = (view: ReactNode) => render(<MantineProvider>{view}</MantineProvider>);

describe('a body in several colours', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);

  it('is cut through where one of them lies, the last one first', () => {
    show(
      <CutThrough
        tray={tray}
        stack={stack}
        evaluation={evaluateStack(stack)}
        error={undefined}
        code={undefined}
        finishNames={finishNames}
        marked={undefined}
        onMark={vi.fn()}
      />,
    );
    const drawn = () =>
      screen
        .getAllByRole('button')
        .map((each) => each.getAttribute('aria-label'))
        .filter((name) => name?.includes('µm'));
    expect(screen.getByRole<HTMLInputElement>('radio', { name: 'Teal, 70 %' }).checked).toBe(true);
    const teal = drawn();
    fireEvent.click(screen.getByRole('radio', { name: 'Cream, 30 %' }));
    expect(drawn()).toHaveLength(2);
    expect(drawn()).not.toEqual(teal);
  });

  it('says of a layer where it lies, and takes another place for it', () => {
    const layer = tray.layers[1] as PlannedLayer;
    const onChange = vi.fn();
    const one = (isOpen: boolean) => (
      <OnColour layer={layer} finishNames={finishNames} isOpen={isOpen} onChange={onChange} />
    );
    show(one(false));
    expect(screen.getByText('on cream')).toBeTruthy();
    cleanup();
    show(one(true));
    fireEvent.click(screen.getByRole('combobox', { name: 'Lies on the areas of' }));
    fireEvent.click(screen.getByRole('option', { name: 'all of it' }));
    expect(onChange.mock.calls).toEqual([[null]]);
    // Its share and its code were those of the colour that it was of.
    expect(onFinish({ ...layer, codeId: 'C' }, null)).toEqual({
      id: 'pale',
      kind: 'colour',
      coats: 3,
      tool: 'airbrush',
    });
    expect(onFinish(layer, 'teal')).toMatchObject({ finishId: 'teal' });
    expect(onFinish(layer, 'teal').share).toBeUndefined();
  });

  it('says of each edge what the clear makes of it', () => {
    const clear: StackLayer = {
      id: 'c',
      kind: 'clear',
      coats: 3,
      tool: 'airbrush',
      product: product('generic-clear-2k'),
    };
    const text = (...more: StackLayer[]) => {
      const { container } = show(
        <EdgeSteps stack={{ layers: [...layers, ...more] }} finishNames={finishNames} />,
      );
      const said = container.textContent;
      cleanup();
      return said;
    };
    expect(text()).toMatch(/Teal: \d+ µm .*proud\. Nothing covers it/);
    expect(text(clear)).toContain('keep it as a ridge');
    expect(text({ ...clear, coats: 12 }, { id: 'f', kind: 'flat', coats: 1, tool: 'hand' })).toContain(
      'flatted level',
    );
    expect(text()).not.toContain('Cream:');
  });
});
