import { bare } from '../../core/figures.ts';
import { Button, TextInput } from '@mantine/core';
import { useDeferredValue, useMemo } from 'react';
import { labToDisplay, nearestPossible, typedColour, type Lab } from '../../core/colour/index.ts';

interface ColourFieldProps {
  label: string;
  description?: string;
  value: string;
  onChange: (value: string) => void;
  /** What was found wrong when it was to be kept. */
  error?: React.ReactNode;
}

/** What is typed so far: a colour, and the nearest that a surface can have where none can have this one. */
function readSoFar(text: string): { lab?: Lab; nearest?: Lab } {
  if (text.trim() === '') return {};
  try {
    const lab = typedColour(text);
    const nearest = nearestPossible(lab);
    return nearest === lab ? { lab } : { lab, nearest };
  } catch {
    // Said when it is saved; half a number is no mistake yet.
    return {};
  }
}

/** A field for a colour as Lab or hex, with what it looks like; one that no surface can have is said at once, and the
 *  nearest possible one offered. */
export function ColourField({ label, description, value, onChange, error }: ColourFieldProps) {
  // The nearest possible colour takes a moment; typing goes before.
  const settled = useDeferredValue(value);
  const { lab, nearest } = useMemo(() => readSoFar(settled), [settled]);
  const words = nearest && [nearest.L, nearest.a, nearest.b].map((part) => bare(part, 'L')).join(' ');
  return (
    <div>
      <TextInput
        label={label}
        description={description}
        placeholder="#2a7f86 or 48 -24 -12"
        value={value}
        maxLength={40}
        onChange={(event) => onChange(event.currentTarget.value)}
        error={error ?? (nearest && 'Outside what any surface can show.')}
        rightSection={
          lab ? <span className="dot" style={{ background: labToDisplay(lab).hex }} aria-hidden /> : null
        }
      />
      {words && (
        <Button variant="default" size="xs" mt={6} onClick={() => onChange(words)}>
          Take the nearest possible: {words}
        </Button>
      )}
    </div>
  );
}
