import { Button } from '@mantine/core';
import type { KitItemKind } from '../../../core/kit/index.ts';
import { InTurn } from '../../components/InTurn.tsx';
import { freeName, useDetailRecords } from './useDetailRecords.ts';

/** What can be done to one of the list. */
export interface DetailTools<T> {
  onChange: (part: Partial<T>) => void;
  onRemove: () => void;
}

interface DetailListProps<T> {
  buildId: string;
  kind: KitItemKind;
  title: string;
  all: readonly T[];
  /** What a new one says, and the word that it is called by. */
  fresh: Omit<T, 'id'>;
  word: string;
  addWords: string;
  /** Shown while there is none: what the drawer is for, and that nothing follows. */
  teaches: string;
  nothing: string;
  /** Above the list. */
  children?: React.ReactNode;
  decide: (record: T, tools: DetailTools<T>) => React.ReactNode;
  follows: (record: T, tools: DetailTools<T>) => React.ReactNode;
}

/** A drawer of things that are made, one after the other: what is decided of each, and what follows from it. */
export function DetailList<T extends { id: string; name: string }>({
  buildId,
  kind,
  title,
  all,
  fresh,
  word,
  addWords,
  teaches,
  nothing,
  children,
  decide,
  follows,
}: DetailListProps<T>) {
  const { problem, add, change, remove } = useDetailRecords<T>(buildId, kind);
  const each = (show: (record: T, tools: DetailTools<T>) => React.ReactNode) =>
    all.map((record, at) => (
      <InTurn key={record.id} at={at}>
        {() =>
          show(record, {
            onChange: (part) => change(record, part),
            onRemove: () => remove(record),
          })
        }
      </InTurn>
    ));
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>{title}</h2>
        {children}
        {problem && <p role="alert">{problem}</p>}
        {all.length === 0 && <p className="panel soft">{teaches}</p>}
        {each(decide)}
        <Button variant="default" onClick={() => add({ ...fresh, name: freeName(word, all) })}>
          {addWords}
        </Button>
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {all.length === 0 && <p className="panel soft small">{nothing}</p>}
        {each(follows)}
      </section>
    </>
  );
}
