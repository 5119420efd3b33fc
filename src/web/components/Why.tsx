import { Popover, UnstyledButton } from '@mantine/core';
import type { ReactNode } from 'react';

/** "why?": opens the rule, inputs, formula or source behind a figure. */
export function Why({
  label = 'why?',
  about,
  children,
}: {
  label?: string;
  about: string;
  children: ReactNode;
}) {
  return (
    <Popover width={320} position="bottom-end" withArrow shadow="md" trapFocus returnFocus>
      <Popover.Target>
        <UnstyledButton className="why" aria-label={`Why: ${about}`}>
          {label}
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown style={{ fontSize: 14 }}>{children}</Popover.Dropdown>
    </Popover>
  );
}
