// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, expect, it } from 'vitest';
import type { BookBlock } from '../../../../core/record/index.ts';
import { matchMediaStandIn } from '../../../../../tests/matchMedia.ts';
import { BookPages } from './BookPages.tsx';

beforeEach(matchMediaStandIn);
afterEach(cleanup);

const blocks: BookBlock[] = [
  { kind: 'title', text: 'Tolliver Six', under: '1:24' },
  { kind: 'rows', rows: [{ label: 'Built by', value: 'Zoë' }] },
  { kind: 'heading', text: 'Colours' },
  { kind: 'swatches', swatches: [{ hex: '#12ab9f', label: 'Lagoon, wanted' }] },
  { kind: 'table', head: ['Layer', 'Film'], right: [false, true], rows: [['Primer', '16 µm']] },
  { kind: 'pictures', pictures: [{ pictureId: 'p 1', caption: 'the tub' }] },
  { kind: 'drawing', width: 82, height: 32, paths: [{ d: 'M0 0H82V32Z', fill: '#12ab9f' }], caption: 'Left' },
];

it('shows every kind of block with its words, and pictures and drawings with a name', () => {
  render(
    <MantineProvider env="test">
      <BookPages blocks={blocks} />
    </MantineProvider>,
  );
  expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('Tolliver Six');
  expect(screen.getByRole('heading', { level: 3 }).textContent).toBe('Colours');
  expect(screen.getByText('Zoë').tagName).toBe('DD');
  const cell = within(screen.getByRole('table')).getByText('16 µm');
  expect(cell.className).toContain('num');
  expect(screen.getByText('Lagoon, wanted')).toBeTruthy();
  expect(screen.getByRole('img', { name: 'the tub' }).getAttribute('src')).toContain('p%201');
  const drawing = screen.getByRole('img', { name: 'Left' });
  // At its own size, or smaller where the page is.
  expect(drawing.getAttribute('style')).toContain('82mm');
});
