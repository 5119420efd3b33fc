// @vitest-environment jsdom
import { MantineProvider, NumberInput, Select, TextInput } from '@mantine/core';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { matchMediaStandIn } from '../../../../tests/matchMedia.ts';
import { KIT_ITEMS } from '../../../api/index.ts';
import { placeRecord } from '../../../core/kit/index.ts';
import { useRecordForm } from './useRecordForm.tsx';

describe('a form over a record', () => {
  beforeAll(matchMediaStandIn);
  afterEach(cleanup);
  const onAdd = vi.fn<(value: object) => unknown>();
  afterEach(() => onAdd.mockReset());

  function Form() {
    const { text, number, pick, problem, submit } = useRecordForm(placeRecord.fields, KIT_ITEMS.place, {
      start: { partId: 'car-A1', sizeMm: '' },
      asks: { sizeMm: 'Give its size.' },
      check: ({ name }) => (name === 'taken' ? { name: 'There is one already.' } : {}),
    });
    return (
      <form onSubmit={submit(onAdd, ['name', 'sizeMm'])}>
        <TextInput label="Name" {...text('name')} />
        <NumberInput label="Size" {...number('sizeMm')} />
        <Select label="Kind" data={['hole', 'slot']} {...pick('kind')} />
        <button type="submit">Add</button>
        {problem}
      </form>
    );
  }
  const show = () =>
    render(
      <MantineProvider>
        <Form />
      </MantineProvider>,
    );
  const field = (name: string) => screen.getByRole<HTMLInputElement>('textbox', { name });
  const type = (name: string, value: string) => fireEvent.change(field(name), { target: { value } });
  const add = () =>
    act(() => {
      fireEvent.submit(document.querySelector('form')!);
      return Promise.resolve();
    });

  it('keeps to the limits of the record', () => {
    show();
    expect(field('Name').maxLength).toBe(120);
  });

  it('says at the input what is missing, in its own words or the schema’s, and sends nothing', async () => {
    show();
    await add();
    expect(screen.getByText('The name of the place is missing')).toBeTruthy();
    expect(screen.getByText('Give its size.')).toBeTruthy();
    expect(field('Name').getAttribute('aria-invalid')).toBe('true');
    expect(onAdd).not.toHaveBeenCalled();
  });

  it('hands over a whole record, numbers as numbers and nothing for what was left empty', async () => {
    show();
    type('Name', '  mirror hole ');
    type('Size', '1.2');
    await add();
    expect(onAdd.mock.calls).toEqual([
      [
        {
          partId: 'car-A1',
          matingPartId: null,
          name: 'mirror hole',
          kind: 'hole',
          sizeMm: 1.2,
          widthMm: null,
          throughMm: null,
        },
      ],
    ]);
    expect([field('Name').value, field('Size').value]).toEqual(['', '']);
  });

  it('says what the server refuses, and keeps what was typed', async () => {
    onAdd.mockRejectedValue(new Error('The kit has no such part.'));
    show();
    type('Name', 'mirror hole');
    type('Size', '1.2');
    await add();
    expect(screen.getByRole('alert').textContent).toBe('The kit has no such part.');
    expect([field('Name').value, field('Size').value]).toEqual(['mirror hole', '1.2']);
  });

  it('sends once what is submitted twice, and is empty again before the server has answered', async () => {
    let answer: () => void = () => undefined;
    onAdd.mockReturnValue(new Promise<void>((resolve) => (answer = resolve)));
    show();
    type('Name', 'mirror hole');
    type('Size', '1.2');
    await add();
    expect(field('Name').value).toBe('');
    type('Name', 'mirror hole');
    type('Size', '1.2');
    await add();
    expect(onAdd).toHaveBeenCalledTimes(1);
    await act(() => {
      answer();
      return Promise.resolve();
    });
    await add();
    expect(onAdd).toHaveBeenCalledTimes(2);
  });

  it('keeps what was typed since, where what was sent is refused late', async () => {
    let refuse: (error: Error) => void = () => undefined;
    onAdd.mockReturnValue(new Promise<void>((_, reject) => (refuse = reject)));
    show();
    type('Name', 'mirror hole');
    type('Size', '1.2');
    await add();
    type('Name', 'aerial hole');
    await act(() => {
      refuse(new Error('The kit has no such part.'));
      return Promise.resolve();
    });
    expect(screen.getByRole('alert').textContent).toBe('The kit has no such part.');
    expect(field('Name').value).toBe('aerial hole');
  });

  it('takes the keyboard to the first input that is wrong', async () => {
    show();
    type('Size', '1.2');
    await add();
    expect(document.activeElement).toBe(field('Name'));
  });

  it('asks its own questions of what the schema lets through', async () => {
    show();
    type('Name', 'taken');
    type('Size', '2');
    await add();
    expect(screen.getByText('There is one already.')).toBeTruthy();
    expect(onAdd).not.toHaveBeenCalled();
  });

  it('names the reference that is missing', () => {
    expect(() => KIT_ITEMS.place.validateSyncAt('partId', { partId: null }) as unknown).toThrow(
      'the part is missing',
    );
  });
});
