import { Button, Checkbox, Table } from '@mantine/core';
import { bare } from '../../../core/figures.ts';
import { useState } from 'react';
import {
  layerFilm,
  polishBudget,
  POLISH_GRADES,
  type FilmBand,
  type Stack,
} from '../../../core/finish/index.ts';
import { Why } from '../../components/Why.tsx';

const NOTHING: FilmBand = { low: 0, usual: 0, high: 0 };

/** The clear that is left after each grade, and an aid that goes through the grades one by one. */
export function PolishPanel({ stack }: { stack: Stack }) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    () => new Set(POLISH_GRADES.filter(({ id }) => id !== '2000').map(({ id }) => id)),
  );
  const [at, setAt] = useState<number>();
  const clears = stack.layers.filter(({ kind }) => kind === 'clear');
  if (clears.length === 0 || !stack.layers.some(({ kind }) => kind === 'flat' || kind === 'polish'))
    return null;
  const sum = (extra: number) =>
    clears.reduce((film, layer, index) => {
      const more = index === clears.length - 1 ? { ...layer, coats: layer.coats + extra } : layer;
      const { low, usual, high } = layerFilm(more);
      return { low: film.low + low, usual: film.usual + usual, high: film.high + high };
    }, NOTHING);
  const grades = POLISH_GRADES.filter(({ id }) => chosen.has(id));
  const left = polishBudget(sum(0), grades);
  const oneMore = polishBudget(sum(1), grades).at(-1);
  const last = left.at(-1);
  const step = at === undefined ? undefined : left[at];
  const span = ({ low, usual, high }: FilmBand) =>
    `${bare(usual, 'µm')} (${bare(Math.max(0, low), 'µm')}–${bare(high, 'µm')})`;
  return (
    <div className="panel" aria-label="Polish" role="region">
      <h3>
        Clear left, µm{' '}
        <Why about="the polish budget">
          The clear coats as planned, less what some thirty strokes of each grade take, with the span of both.
          Edges carry half the film and are cut half as fast again as flats: that is where the colour comes
          through. Keep cloths off edges and raised lines and only the column of flats counts.
        </Why>
      </h3>
      <Table className="plainlist">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>After</Table.Th>
            <Table.Th className="num">Flats</Table.Th>
            <Table.Th className="num">Edges</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {POLISH_GRADES.map((grade) => {
            const row = left.find((one) => one.grade.id === grade.id);
            return (
              <Table.Tr key={grade.id}>
                <Table.Td>
                  <Checkbox
                    label={grade.name}
                    checked={chosen.has(grade.id)}
                    onChange={(event) => {
                      const next = new Set(chosen);
                      if (event.currentTarget.checked) next.add(grade.id);
                      else next.delete(grade.id);
                      setChosen(next);
                      setAt(undefined);
                    }}
                  />
                </Table.Td>
                <Table.Td
                  className="num mono small"
                  style={{ whiteSpace: 'nowrap', fontSize: 11.5, paddingRight: 4 }}
                >
                  {row && span(row.flat)}
                </Table.Td>
                <Table.Td
                  className="num mono small"
                  style={{ whiteSpace: 'nowrap', fontSize: 11.5, paddingRight: 4 }}
                >
                  {row &&
                    (row.burn === 'likely'
                      ? 'burns through'
                      : `${span(row.edge)}${row.burn === 'possible' ? ' !' : ''}`)}
                </Table.Td>
              </Table.Tr>
            );
          })}
        </Table.Tbody>
      </Table>
      {last && last.burn !== 'none' && oneMore && (
        <p className="small mt6">
          Edges may burn through. One more clear coat leaves {span(oneMore.edge)} there
          {oneMore.burn === 'none' ? ': enough.' : '; still keep off them.'}
        </p>
      )}
      {step ? (
        <div className="well mt8" role="status">
          <b>
            {step.grade.name}: {step.grade.strokes} strokes
          </b>
          <p className="small">{step.grade.how}</p>
          <div className="in-row g8 mt6">
            <Button disabled={at === 0} onClick={() => setAt(at! - 1)}>
              Back
            </Button>
            <Button onClick={() => setAt(at! + 1 < left.length ? at! + 1 : undefined)}>
              {at! + 1 < left.length ? 'Even and clean: next grade' : 'Done: wash it off'}
            </Button>
          </div>
        </div>
      ) : (
        <Button className="mt8" disabled={left.length === 0} onClick={() => setAt(0)}>
          Go through the grades
        </Button>
      )}
    </div>
  );
}
