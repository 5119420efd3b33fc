import { Button, Popover, UnstyledButton } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import type { Curing, PlanOperation } from '../../core/plan/index.ts';
import { whenText } from '../components/time.ts';
import { benchNow } from '../data/clock.ts';
import { changeKit } from '../data/kit.ts';
import { newId } from '../data/newId.ts';

interface CureFeltProps {
  curing: Curing;
  operation: PlanOperation | undefined;
  children: ReactNode;
}

/** What is drying, as a button that asks how it feels: the plan follows, and learns this bench's cures. A full cure, or
 *  glue, cannot be felt and is only named. */
export function CureFelt({
  curing: { operationId, since, until, canBeFelt },
  operation,
  children,
}: CureFeltProps) {
  const [isOpen, setOpen] = useState(false);
  if (!operation || !canBeFelt) return <span className="what">{children}</span>;
  const note = (isDry: boolean) => {
    setOpen(false);
    const value = { operationId, minutes: Math.max(0, Math.floor(benchNow() / 60000 - since)), isDry };
    void changeKit(
      operation.buildId,
      [{ kind: 'cure-check', id: newId(operation.buildId), value }],
      `${isDry ? 'dry' : 'wet'}: ${operation.title}`,
    ).catch(() => undefined);
  };
  return (
    <Popover
      opened={isOpen}
      onChange={setOpen}
      width={300}
      position="top"
      withArrow
      shadow="md"
      trapFocus
      returnFocus
    >
      <Popover.Target>
        <UnstyledButton className="what" title="How does it feel?" onClick={() => setOpen(!isOpen)}>
          {children}
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown>
        <p>
          <b>{operation.title}</b>
        </p>
        <p className="small soft">
          Planned to be free {whenText(until)}. Touch the sprue or the spoon that was sprayed with it, not the
          model.
        </p>
        <div className="in-row g8 mt8">
          <Button onClick={() => note(true)}>Dry enough now</Button>
          <Button onClick={() => note(false)}>Still wet</Button>
        </div>
        <p className="small soft mt6">
          After two coats of a paint the plan counts with your times. Recoat windows stay those of the
          product.
        </p>
      </Popover.Dropdown>
    </Popover>
  );
}
