import { useMantineEnv } from '@mantine/core';
import { Children, isValidElement, useEffect, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { takeTurn } from './takeTurn.ts';

interface InTurnProps {
  /** Its place among its like. */
  at: number;
  /** How many of them are drawn with the view itself: those that are seen before anybody scrolls. */
  first?: number;
  children: () => ReactNode;
}

/** One of many things of a view. The first are drawn with it; each of the others in a task of its own soon after, so
 *  that none of a long list keeps the hands waiting. */
export function InTurn({ at, first = 2, children }: InTurnProps) {
  const isTest = useMantineEnv() === 'test';
  const [isDrawn, setDrawn] = useState(isTest || at < first);
  // At once, so that no two of them are drawn in one task.
  useEffect(() => (isDrawn ? undefined : takeTurn(() => flushSync(() => setDrawn(true)))), [isDrawn]);
  return isDrawn ? children() : null;
}

/** The panels of a column, in turn. */
export const EachInTurn = ({ first = 2, children }: { first?: number; children: ReactNode }) =>
  Children.toArray(children).map((child, at) => (
    <InTurn key={isValidElement(child) ? child.key : at} at={at} first={first}>
      {() => child}
    </InTurn>
  ));
