import { useMemo, useState } from 'react';
import {
  MATERIALS,
  PART_STATES,
  partLabel,
  plainPart,
  readPartCell,
  rolesOf,
  SYSTEM_NAMES,
  SYSTEMS,
  type Kit,
  type Part,
  type PartColumn,
  type System,
} from '../../../core/kit/index.ts';
import { CellGrid, HEAD_PX, ROW_PX } from '../../components/grid/CellGrid.tsx';
import type { GridColumn } from '../../components/grid/gridColumn.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { nextLabel, roleChanges } from './partChanges.ts';

/** A part as its row of the grid: what is typed is text until it has been read. */
interface Row {
  id: string;
  label: string;
  name: string;
  count: string;
  finish: string;
  material: string;
  areaCm2: string;
  lengthMm: string;
  needs: string;
  state: string;
  colour: string;
  system: string;
  checked: boolean;
}

const NEW_ROW = 'new';

interface PartGridProps {
  buildId: string;
  kit: Kit;
  parts: readonly Part[];
  leftOver: ReadonlyMap<string, string>;
  onMark: (partId: string | undefined) => void;
  onProblem: (problem: string | null) => void;
}

/** The parts as a grid for the keyboard: arrows move, typing edits, Enter goes on; the last row adds a part. */
export function PartGrid({ buildId, kit, parts, leftOver, onMark, onProblem }: PartGridProps) {
  const [draft, setDraft] = useState<Partial<Row>>({});
  const systems = useMemo(
    () => new Map(rolesOf(kit).map(({ partId, system }) => [partId, system ? SYSTEM_NAMES[system] : ''])),
    [kit],
  );
  const rows = useMemo<Row[]>(
    () => [
      ...parts.map((part) => rowOf(part, kit, systems)),
      {
        ...rowOf(plainPart(NEW_ROW), kit, systems),
        label: nextLabel(kit.parts),
        name: '',
        count: '1',
        ...draft,
        id: NEW_ROW,
      },
    ],
    [parts, kit, systems, draft],
  );
  const labels = useMemo(() => {
    const seen = new Map<string, number>();
    for (const part of kit.parts) seen.set(partLabel(part), (seen.get(partLabel(part)) ?? 0) + 1);
    return seen;
  }, [kit]);
  const finishNames = useMemo(() => kit.finishes.map(({ name }) => name), [kit.finishes]);

  const columns = useMemo<GridColumn<Row>[]>(() => {
    const text = (key: Exclude<keyof Row, 'id' | 'checked'>, name: string, width: number) => ({
      key,
      name,
      width,
      text: (row: Row) => row[key],
    });
    const choice = (
      key: 'finish' | 'material' | 'state' | 'system',
      name: string,
      width: number,
      options: readonly string[],
    ) => ({ ...text(key, name, width), options: options.map((value) => ({ value, label: value })) });
    const finish = choice('finish', 'Finish', 138, finishNames);
    const system = choice(
      'system',
      'Belongs to',
      104,
      SYSTEMS.map((each) => SYSTEM_NAMES[each]),
    );
    return [
      {
        ...text('label', 'Part', 62),
        frozen: true,
        cellClass: ({ id, label }) =>
          id === NEW_ROW ? 'newrow' : (labels.get(label) ?? 0) > 1 ? 'twin mono' : 'mono',
      },
      {
        ...text('name', 'Name', 176),
        frozen: true,
        cellClass: ({ id }) => (leftOver.has(id) ? 'leftover' : ''),
        shown: (row) =>
          row.id === NEW_ROW && row.name === '' ? (
            <span className="newrow">type a name to add it</span>
          ) : (
            row.name
          ),
      },
      text('count', '×', 40),
      { ...finish, options: [{ value: '', label: 'none yet' }, ...finish.options] },
      choice('material', 'Material', 92, MATERIALS),
      text('areaCm2', 'cm²', 58),
      text('lengthMm', 'mm', 54),
      text('needs', 'Needs', 100),
      choice('state', 'State', 112, PART_STATES),
      text('colour', 'Moulded in', 92),
      { ...system, options: [{ value: '', label: 'as its name tells' }, ...system.options] },
      {
        key: 'checked',
        name: 'Checked',
        width: 72,
        text: ({ checked }) => (checked ? 'yes' : ''),
        check: ({ id, label, name, checked }) =>
          id === NEW_ROW ? undefined : { checked, label: `${label} ${name} checked` },
      },
    ];
  }, [finishNames, leftOver, labels]);

  const send = (changes: Parameters<typeof changeKit>[1], label: string) =>
    void changeKit(buildId, changes, label).catch((error: unknown) => onProblem((error as Error).message));
  const store = (part: Part, label: string) => send([{ kind: 'part', id: part.id, value: part }], label);
  const systemOf = (typed: string) => SYSTEMS.find((each) => SYSTEM_NAMES[each] === typed) ?? null;
  const sayRole = (part: Part, system: System | null) => {
    const said = roleChanges(kit, part, system, () => newId(buildId));
    if (said.length > 0) send(said, `where ${part.name.toLowerCase()} belongs`);
  };
  const onAdd = (row: Row, key: string, typed: string) => {
    const made = { ...draft, [key]: typed };
    if (!made.name?.trim()) {
      setDraft(made);
      return;
    }
    const reading = readRow(plainPart(newId(buildId)), { ...row, ...made }, kit);
    if (typeof reading === 'string') {
      setDraft(made);
      onProblem(`Not added yet: ${reading}.`);
      return;
    }
    setDraft({});
    onProblem(null);
    // What was said of where it belongs before it had a name goes with it.
    const said = roleChanges(kit, reading, systemOf(made.system ?? ''), () => newId(buildId));
    send([{ kind: 'part', id: reading.id, value: reading }, ...said], `add ${partLabel(reading)}`);
  };
  const onEdit = (row: Row, key: string, typed: string) => {
    if (row.id === NEW_ROW) {
      onAdd(row, key, typed);
      return;
    }
    const part = kit.parts.find(({ id }) => id === row.id)!;
    if (key === 'system') {
      onProblem(null);
      sayRole(part, systemOf(typed));
      return;
    }
    const changed =
      key === 'checked' ? { ...part, checked: typed !== '' } : readInto(part, key as keyof Row, typed, kit);
    if (typeof changed === 'string') onProblem(`${partLabel(part)} was left as it is: ${changed}.`);
    else {
      onProblem(null);
      store(changed, `${partLabel(part)} ${part.name}`);
    }
  };
  return (
    <CellGrid
      label="Parts"
      columns={columns}
      rows={rows}
      maxHeight={`min(60vh, 600px, ${HEAD_PX + (rows.length + 1) * ROW_PX}px)`}
      onEdit={onEdit}
      onMark={({ id }) => onMark(id === NEW_ROW ? undefined : id)}
    />
  );
}

function rowOf(part: Part, kit: Kit, systems: ReadonlyMap<string, string>): Row {
  return {
    id: part.id,
    label: partLabel(part),
    name: part.name,
    count: String(part.count),
    finish: kit.finishes.find(({ id }) => id === part.zones[0]?.finishId)?.name ?? '',
    material: part.material,
    areaCm2: part.areaCm2 === null ? '' : String(part.areaCm2),
    lengthMm: part.lengthMm === null ? '' : String(part.lengthMm),
    needs: part.needs.join(' '),
    state: part.state,
    colour: part.colour,
    system: systems.get(part.id) ?? '',
    checked: part.checked,
  };
}

/** A part with one cell changed, or what is wrong with what was typed. */
function readInto(part: Part, key: keyof Row, typed: string, kit: Kit): Part | string {
  const text = typed.trim();
  if (key === 'finish') {
    const finish = kit.finishes.find(({ name }) => name === text);
    const [main, ...others] = part.zones;
    if (!finish) return { ...part, zones: others };
    const zone = main ?? { id: 'main', name: '', share: 1, boundary: 'moulded' as const, edgeMm: null };
    return { ...part, zones: [{ ...zone, finishId: finish.id }, ...others] };
  }
  if (text === '') {
    if (key === 'areaCm2' || key === 'lengthMm') return { ...part, [key]: null };
    if (key === 'needs') return { ...part, needs: [] };
    if (key === 'colour') return { ...part, colour: '' };
    return `the ${key === 'label' ? 'part number' : key} is missing`;
  }
  const reading = readPartCell(key as PartColumn, text);
  return reading.problem === undefined ? { ...part, ...reading.part } : reading.problem;
}

function readRow(part: Part, row: Row, kit: Kit): Part | string {
  let read: Part | string = part;
  for (const key of [
    'label',
    'name',
    'count',
    'finish',
    'material',
    'areaCm2',
    'lengthMm',
    'needs',
    'state',
    'colour',
  ] as const) {
    if (typeof read === 'string') return read;
    if (row[key].trim() === '' && key !== 'label' && key !== 'name') continue;
    read = readInto(read, key, row[key], kit);
  }
  return read;
}
