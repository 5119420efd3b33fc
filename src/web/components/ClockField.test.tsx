// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../tests/matchMedia.ts';
import { ClockField } from './ClockField.tsx';

describe('a field for a time of day', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);

  const show = (value: number) => {
    const onChange = vi.fn();
    render(
      <MantineProvider>
        <ClockField name="Tuesday from" value={value} onChange={onChange} />
      </MantineProvider>,
    );
    const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Tuesday from' });
    const type = (text: string) => fireEvent.change(field, { target: { value: text } });
    return { field, type, onChange };
  };

  it('shows 24 hours, midnight at either end as 00:00', () => {
    expect(show(1170).field.value).toBe('19:30');
    cleanup();
    expect(show(1440).field.value).toBe('00:00');
  });

  it('takes a time when it is left, or by Enter, and once', () => {
    const { field, type, onChange } = show(1170);
    type('4:05');
    expect(onChange).not.toHaveBeenCalled();
    fireEvent.blur(field);
    type('2130');
    fireEvent.keyDown(field, { key: 'Enter' });
    fireEvent.blur(field);
    expect(onChange.mock.calls).toEqual([[245], [1290]]);
  });

  it('says where no time is typed, and what stays until it is mended or given up', () => {
    const { field, type, onChange } = show(1170);
    type('25:00');
    fireEvent.blur(field);
    expect(field.value).toBe('25:00');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByText('no time; 19:30 stays')).toBeTruthy();
    type('20:00');
    expect(screen.queryByText('no time; 19:30 stays')).toBeNull();
    fireEvent.keyDown(field, { key: 'Escape' });
    expect(field.value).toBe('19:30');
    fireEvent.blur(field);
    expect(onChange).not.toHaveBeenCalled();
  });
});
