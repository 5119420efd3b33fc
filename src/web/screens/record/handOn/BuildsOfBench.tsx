import { Button } from '@mantine/core';
import type { HandedOnBench } from '../../../../api/index.ts';
import { counted } from '../../../../core/kit/index.ts';
import { dayText } from '../../../components/time.ts';

interface BuildsOfBenchProps {
  found: HandedOnBench;
  /** Which of them is looked at. */
  open: string | undefined;
  onLook: (file: string) => void;
  busy: boolean;
}

/** The builds of a bench that was handed on: each is looked at, and comes in, by itself. */
export function BuildsOfBench({ found: { bench, savedAt }, open, onLook, busy }: BuildsOfBenchProps) {
  return (
    <>
      <p>
        {counted(bench.length, 'build')}, saved {dayText(Math.floor(Date.parse(savedAt) / 60_000))}. Look at
        each that you want:
      </p>
      <ul className="m0 stacked g8">
        {bench.map(({ name, file }) => (
          <li key={file}>
            <Button
              size="xs"
              variant="default"
              disabled={busy}
              aria-pressed={open === file}
              onClick={() => onLook(file)}
            >
              Look at {name}
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
