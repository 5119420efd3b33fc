import { UnstyledButton } from '@mantine/core';
import { ILLUMINANT_NAMES, type IlluminantId } from '../../core/colour/index.ts';

const OFFERED: IlluminantId[] = ['D65', 'A', 'LED-4000', 'D50'];

/** One light for all spoons on the screen. */
export function LightSwitch({
  light,
  onChange,
}: {
  light: IlluminantId;
  onChange: (light: IlluminantId) => void;
}) {
  return (
    <div className="lights" role="group" aria-label="Light on all spoons">
      {OFFERED.map((id) => (
        <UnstyledButton
          key={id}
          aria-pressed={id === light}
          title={ILLUMINANT_NAMES[id].source}
          onClick={() => onChange(id)}
        >
          {ILLUMINANT_NAMES[id].name}
        </UnstyledButton>
      ))}
    </div>
  );
}
