import { Button, Chip, Group, Select, TextInput } from '@mantine/core';
import Papa from 'papaparse';
import { useState } from 'react';
import type { BuildRecord } from '../../../../api/index.ts';
import { counted } from '../../../../core/kit/index.ts';
import { EVENT_KINDS, type EventKind, type LogEvent, type LogFilter } from '../../../../core/record/index.ts';
import { saveFile } from '../../../data/saveFile.ts';
import { logRows } from './logRows.ts';

interface LogFiltersProps {
  build: BuildRecord;
  events: readonly LogEvent[];
  shown: readonly LogEvent[];
  trayNames: ReadonlyMap<string, string>;
  filter: LogFilter;
  onFilter: (filter: LogFilter) => void;
}

/** What of the log is shown, and the same as a file. */
export function LogFilters({ build, events, shown, trayNames, filter, onFilter }: LogFiltersProps) {
  const [said, setSaid] = useState('');
  const counts = new Map<EventKind, number>();
  for (const { kind } of events) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  const kinds = (Object.keys(EVENT_KINDS) as EventKind[]).filter((kind) => counts.has(kind));
  const save = () => {
    saveFile(`log-${build.id}.csv`, Papa.unparse(logRows(shown, trayNames)));
    setSaid(`${counted(shown.length, 'entry', 'entries')} saved as a file.`);
  };
  return (
    <div className="panel stacked g8">
      <TextInput
        label="Search"
        placeholder="run, cream, door"
        value={filter.search}
        onChange={(event) => onFilter({ ...filter, search: event.currentTarget.value })}
      />
      <Select
        label="Sub-assembly"
        placeholder="all"
        clearable
        data={build.trays.map(({ id, name }) => ({ value: id, label: name }))}
        value={filter.trayId}
        onChange={(trayId) => onFilter({ ...filter, trayId })}
      />
      <Chip.Group
        multiple
        value={[...(filter.kinds ?? [])]}
        onChange={(picked) => onFilter({ ...filter, kinds: picked.length === 0 ? null : new Set(picked) })}
      >
        <Group gap={6} role="group" aria-label="Kinds">
          {kinds.map((kind) => (
            <Chip key={kind} value={kind} size="xs">
              {EVENT_KINDS[kind]} {counts.get(kind)}
            </Chip>
          ))}
        </Group>
      </Chip.Group>
      <p className="soft small" role="status">
        {shown.length === events.length
          ? `${counted(events.length, 'entry', 'entries')}.`
          : `${shown.length} of ${counted(events.length, 'entry', 'entries')}.`}
      </p>
      <Button variant="default" disabled={shown.length === 0} onClick={save}>
        Save what is shown as CSV
      </Button>
      {said !== '' && (
        <p className="soft small" role="status">
          {said}
        </p>
      )}
    </div>
  );
}
