import { Button, Select, Textarea, TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { useCheckedForm } from '../../components/form/useCheckedForm.tsx';
import { schemaTextLimits } from '../../components/limits.ts';
import { type PaintInput, paintInput } from '../../../api/index.ts';
import { FAMILIES, type FamilyId } from '../../../core/finish/index.ts';
import { addPaints } from '../../data/bench.ts';
import { readPaintList, type PaintListProblem } from './readPaintList.ts';

const FAMILY_OPTIONS = Object.values(FAMILIES).map(({ id, name }) => ({ value: id, label: name }));

interface AddPaintsProps {
  first: boolean;
  /** Called before anything is sent, so that what could not be read stays on the screen. */
  onSend: () => void;
  onDone: () => void;
}

/** Adds paints one by one or from a pasted list. */
export function AddPaints({ first, onSend, onDone }: AddPaintsProps) {
  const [range, setRange] = useState('');
  const [family, setFamily] = useState<FamilyId>('water-acrylic');
  const [list, setList] = useState('');
  const [problems, setProblems] = useState<PaintListProblem[]>([]);
  const [said, setSaid] = useState('');

  const tell = (saved: readonly unknown[]) =>
    setSaid(`${saved.length} ${saved.length === 1 ? 'paint is' : 'paints are'} on the shelf.`);
  const one = useCheckedForm<{ code: string; name: string; hex: string }, PaintInput>({
    initial: { code: '', name: '', hex: '' },
    valueOf: ({ code, name, hex }) => ({
      range: range.trim(),
      code: code.trim(),
      name: name.trim(),
      family,
      container: 'bottle',
      role: 'colour',
      sheen: 'gloss',
      hiding: 'semi-opaque',
      priceCents: 0,
      volumeMl: 17,
      hex: hex.trim(),
      lab: undefined,
      owned: true,
    }),
    schema: paintInput,
    wholeAt: 'hex',
  });
  const many = async () => {
    const reading = readPaintList(list, { range: range.trim(), family });
    setProblems(reading.problems);
    const kept = reading.problems.map(({ text }) => text).join('\n');
    if (reading.paints.length === 0) {
      setSaid('No line of the list could be read; it is still in the box.');
      return;
    }
    onSend();
    try {
      tell(await addPaints(reading.paints));
      setList(kept);
    } catch (error) {
      setSaid(`${(error as Error).message} What you typed is still here.`);
    }
  };
  return (
    <div className="panel stacked g14">
      <div className="stacked two-columns g12">
        <TextInput
          label="Range"
          placeholder="the maker’s name for the line"
          value={range}
          onChange={(event) => setRange(event.currentTarget.value)}
          {...schemaTextLimits(paintInput, 'range')}
        />
        <Select
          label="Chemistry"
          data={FAMILY_OPTIONS}
          value={family}
          onChange={(value) => setFamily(value as FamilyId)}
        />
      </div>
      <form
        onSubmit={one.submit(
          async (paint) => {
            onSend();
            tell(await addPaints([paint]));
          },
          ['code', 'name', 'hex'],
        )}
        className="in-row g12 low breaks"
      >
        <TextInput label="Code" {...schemaTextLimits(paintInput, 'code')} {...one.input('code')} w={110} />
        <TextInput
          label="Name"
          {...schemaTextLimits(paintInput, 'name')}
          {...one.input('name')}
          style={{ flex: 1, minWidth: 160 }}
        />
        <TextInput label="Colour, hex" placeholder="#2a7f86" {...one.input('hex')} w={130} />
        <UnstyledButton type="submit" className={first ? 'action' : 'quiet'} style={{ width: 'auto' }}>
          Put it on the shelf
        </UnstyledButton>
        {one.problem}
      </form>
      <Textarea
        label="Or paste a list"
        description="a line each: code, name, hex; then, if you like, sheen, hiding (opaque, semi-opaque, transparent), volume in ml, price. Commas, semicolons or tabs between."
        placeholder={'12, Harbour Blue, #24527a, gloss, opaque, 17, 2.90'}
        autosize
        minRows={4}
        maxRows={12}
        value={list}
        onChange={(event) => setList(event.currentTarget.value)}
      />
      {problems.length > 0 && (
        <div role="alert">
          {problems.slice(0, 8).map(({ line, problem }) => (
            <p key={line}>
              Line {line} stays in the box: {problem}.
            </p>
          ))}
          {problems.length > 8 && <p>and {problems.length - 8} more.</p>}
        </div>
      )}
      <p role="status">{said}</p>
      <div className="in-row g10">
        <Button disabled={list.trim() === ''} onClick={() => void many()}>
          Put the list on the shelf
        </Button>
        {!first && <Button onClick={onDone}>Back to the shelf</Button>}
      </div>
    </div>
  );
}
