import { Button, Table } from '@mantine/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { counted, partLabel, suggestEngineColours, takeFinishes, type Kit } from '../../../core/kit/index.ts';
import { newId } from '../../data/newId.ts';
import { useKitChange } from '../../data/useKitChange.ts';

interface EngineColoursProps {
  buildId: string;
  kit: Kit;
}

/** What each part of an engine could be painted, so that neighbours do not read as one. */
export function EngineColours({ buildId, kit }: EngineColoursProps) {
  const { colours, alike, suggestions } = useMemo(() => suggestEngineColours(kit), [kit]);
  const { problem, change } = useKitChange(buildId);
  if (colours.length === 0) return null;
  const proposed = colours.filter(({ suggested }) => suggested !== undefined);
  const open = suggestions.reduce((sum, { partIds }) => sum + partIds.length, 0);
  const take = () => {
    const { finishes, parts } = takeFinishes(kit, suggestions, () => newId(buildId));
    change(
      [
        ...finishes.map((value) => ({ kind: 'finish' as const, id: value.id, value })),
        ...parts.map((value) => ({ kind: 'part' as const, id: value.id, value })),
      ],
      `colours of ${counted(parts.length, 'engine part')}`,
    );
  };
  return (
    <section className="panel" aria-label="Colours of the engine">
      <h3>Colours, part by part</h3>
      {problem && <p role="alert">{problem}</p>}
      {proposed.length > 0 && (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>Part</Table.Th>
              <Table.Th>Finish</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {proposed.map(({ thing, parts, now, suggested }) => (
              <Table.Tr key={thing}>
                <Table.Td>{parts.map((part) => `${partLabel(part)} ${part.name}`).join(', ')}</Table.Td>
                <Table.Td>
                  {now.join(', ')}
                  {suggested && (
                    <>
                      <b>{suggested.name}</b>
                      <span className="soft small block">
                        {suggested.isUsual
                          ? suggested.how
                          : `${suggested.how}; so that it differs from what it touches`}
                      </span>
                    </>
                  )}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      {alike.map(({ one, other, finish }) => (
        <p key={`${one} ${other}`} className="finding warn mt8">
          {one} and {other.toLowerCase()} touch and will read as one: {finish.toLowerCase()}. Give one of them
          another metal, or part them by a wash.
        </p>
      ))}
      {open > 0 ? (
        <Button variant="default" mt={8} onClick={take}>
          Give {counted(open, 'part')} {open === 1 ? 'its finish' : 'their finishes'}
        </Button>
      ) : (
        <p className="soft small mt8">
          All {counted(colours.length, 'kind')} of part on it have a finish
          {alike.length === 0 ? ', and none that touch read as one' : ''}.
        </p>
      )}
      <p className="soft small mt6">
        Usual practice; what the real engine shows wins. The maker’s colour is a code for engines:{' '}
        <Link to="/codes">choose one in the library</Link>, then give it to the finish in{' '}
        <Link to={`/build/${buildId}/kit`}>Parts, under its finishes</Link>.
      </p>
    </section>
  );
}
