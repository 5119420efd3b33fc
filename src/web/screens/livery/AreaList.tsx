import { ActionIcon, Button, Select, UnstyledButton } from '@mantine/core';
import { IconArrowDown, IconArrowUp } from '@tabler/icons-react';
import { useState } from 'react';
import type { AreaShape, Kit, LiveryArea } from '../../../core/kit/index.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

const ADDABLE: readonly { shape: AreaShape; word: string }[] = [
  { shape: 'band', word: 'Band' },
  { shape: 'stripes', word: 'Stripes' },
  { shape: 'scallops', word: 'Scallops' },
  { shape: 'rectangle', word: 'Rectangle' },
  { shape: 'ellipse', word: 'Circle or ellipse' },
  { shape: 'path', word: 'Own path' },
];

interface AreaListProps {
  kit: Kit;
  areas: readonly LiveryArea[];
  chosen: LiveryArea | undefined;
  hexOf: (finishId: string) => string;
  onChoose: (areaId: string) => void;
  onAdd: (shape: AreaShape, finishId: string) => void;
  onRaise: (areaId: string, by: 1 | -1) => void;
  onRemove: (area: LiveryArea) => void;
}

/** The areas of a view, the uppermost first. */
export function AreaList({ kit, areas, chosen, hexOf, onChoose, onAdd, onRaise, onRemove }: AreaListProps) {
  const [asked, setAsked] = useState<string | null>(null);
  const finishId =
    asked ?? kit.finishes.find(({ id }) => !areas.some((area) => area.finishId === id))?.id ?? null;
  return (
    <div className="panel">
      <h3>Areas, the uppermost first</h3>
      {areas.length === 0 && (
        <p className="soft small">
          None yet: the whole view has the finish of its part. Bands, circles and own paths lie over it.
        </p>
      )}
      <ul className="arealist">
        {[...areas].reverse().map((area) => (
          <li key={area.id}>
            <UnstyledButton
              className="parttag"
              aria-pressed={area.id === chosen?.id}
              onClick={() => onChoose(area.id)}
            >
              <span className="swatchdot" style={{ background: hexOf(area.finishId) }} />
              {area.name}
              <span className="soft">{kit.finishes.find(({ id }) => id === area.finishId)?.name}</span>
            </UnstyledButton>
            <ActionIcon
              variant="subtle"
              color="gray"
              aria-label={`Raise ${area.name}`}
              disabled={area.id === areas.at(-1)?.id}
              onClick={() => onRaise(area.id, 1)}
            >
              <IconArrowUp size={16} />
            </ActionIcon>
            <ActionIcon
              variant="subtle"
              color="gray"
              aria-label={`Lower ${area.name}`}
              disabled={area.id === areas[0]?.id}
              onClick={() => onRaise(area.id, -1)}
            >
              <IconArrowDown size={16} />
            </ActionIcon>
            <RemoveButton name={`Take out ${area.name}`} onRemove={() => onRemove(area)} />
          </li>
        ))}
      </ul>
      {kit.finishes.length === 0 ? (
        <p className="small">Name the finishes of this build first, in the Kit stage.</p>
      ) : (
        <div className="toolrow mt8">
          <Select
            size="xs"
            aria-label="Finish of the next area"
            allowDeselect={false}
            data={kit.finishes.map(({ id, name }) => ({ value: id, label: name }))}
            value={finishId}
            placeholder="finish"
            onChange={setAsked}
          />
          {ADDABLE.map(({ shape, word }) => (
            <Button
              key={shape}
              size="xs"
              disabled={finishId === null}
              onClick={() => finishId !== null && onAdd(shape, finishId)}
            >
              {word}
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}
