import { NativeSelect, Table, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import {
  counted,
  rolesOf,
  SYSTEM_NAMES,
  SYSTEMS,
  type Kit,
  type Part,
  type Role,
  type System,
} from '../../../../core/kit/index.ts';
import { labelled } from '../partNames.ts';

const UNKNOWN = 'not known';
const OPTIONS = SYSTEMS.map((value) => ({ value: value, label: SYSTEM_NAMES[value] }));
/** Below this a role is a guess, and looks like one. */
const SURE = 0.9;

interface RoleGroupsProps {
  kit: Kit;
  /** Takes what the builder says of a part; null takes that back. */
  onSay: (part: Part, system: System | null) => void;
}

/** The parts by system, what is not known first; one group open at a time. */
export function RoleGroups({ kit, onSay }: RoleGroupsProps) {
  const groups = useMemo(() => {
    const found = new Map<System | '', { part: Part; role: Role }[]>();
    rolesOf(kit).forEach((role, at) => {
      const system = role.system ?? '';
      found.set(system, [...(found.get(system) ?? []), { part: kit.parts[at]!, role }]);
    });
    return found;
  }, [kit]);
  const [open, setOpen] = useState<System | '' | undefined>(
    groups.has('') ? '' : SYSTEMS.find((system) => groups.has(system)),
  );
  return (
    <>
      {(['', ...SYSTEMS] as const).map((system) => {
        const held = groups.get(system);
        if (!held) return null;
        const isOpen = open === system;
        const name = system === '' ? UNKNOWN : SYSTEM_NAMES[system];
        return (
          <div className="panel" key={system}>
            <UnstyledButton
              className="rolehead"
              aria-expanded={isOpen}
              onClick={() => setOpen(isOpen ? undefined : system)}
            >
              <h3>{name.replace(/^./, (letter) => letter.toUpperCase())}</h3>
              <span className="soft small">{counted(held.length, 'part')}</span>
            </UnstyledButton>
            {isOpen && (
              <RoleTable held={held} said={new Set(kit.roles.map(({ partId }) => partId))} onSay={onSay} />
            )}
          </div>
        );
      })}
    </>
  );
}

interface RoleTableProps extends Pick<RoleGroupsProps, 'onSay'> {
  held: readonly { part: Part; role: Role }[];
  /** Parts of which the builder said it: that can be taken back. */
  said: ReadonlySet<string>;
}

const RoleTable = ({ held, said, onSay }: RoleTableProps) => (
  <Table className="plainlist">
    <Table.Thead>
      <Table.Tr>
        <Table.Th>Part</Table.Th>
        <Table.Th>Belongs to</Table.Th>
        <Table.Th>Why</Table.Th>
      </Table.Tr>
    </Table.Thead>
    <Table.Tbody>
      {held.map(({ part, role: { system, confidence, because } }) => (
        <Table.Tr key={part.id}>
          <Table.Td>{labelled(part)}</Table.Td>
          <Table.Td>
            <NativeSelect
              size="xs"
              aria-label={`Where ${labelled(part)} belongs`}
              data={[
                ...(said.has(part.id) ? [{ value: '', label: 'as its name tells' }] : []),
                ...(system === null ? [{ value: '', label: UNKNOWN }] : []),
                ...OPTIONS,
              ]}
              value={system ?? ''}
              onChange={({ currentTarget: { value } }) =>
                onSay(part, value === '' ? null : (value as System))
              }
            />
          </Table.Td>
          <Table.Td className="soft small">
            {because}
            {system !== null && confidence < SURE && ' (a guess)'}
          </Table.Td>
        </Table.Tr>
      ))}
    </Table.Tbody>
  </Table>
);
