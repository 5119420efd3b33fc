// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { plainPart, suggestJoints } from '../../../core/kit/index.ts';
import { SuggestedJoints } from './SuggestedJoints.tsx';

describe('suggested joints', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);

  it('are all shown, and all taken but those that are left', () => {
    const names = ['Body', 'Bonnet', 'Boot lid', 'Door, left', 'Door, right', 'Roof'];
    const parts = names.map((name, at) => plainPart(`A${at}`, { name, areaCm2: 20 }));
    const suggestions = suggestJoints({ parts, joints: [] });
    const onTake = vi.fn();
    render(
      <MantineProvider>
        <SuggestedJoints
          suggestions={suggestions}
          parts={new Map(parts.map((part) => [part.id, part]))}
          onTake={onTake}
        />
      </MantineProvider>,
    );
    expect(screen.getAllByRole('checkbox')).toHaveLength(5);
    fireEvent.click(screen.getByRole('checkbox', { name: 'A2 Boot lid to A0 Body' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take 4 joints' }));
    expect(onTake.mock.calls).toEqual([[suggestions.filter(({ joint: { a } }) => a !== 'A2')]]);
    for (const box of screen.getAllByRole<HTMLInputElement>('checkbox'))
      if (box.checked) fireEvent.click(box);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'None is chosen' }).disabled).toBe(true);
  });
});
