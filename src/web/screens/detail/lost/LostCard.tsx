import { Button, Group, NumberInput, Select, Text } from '@mantine/core';
import { useState } from 'react';
import { PIECE_FACTS, PIECE_SHAPES, type PieceSize } from '../../../../core/detail/index.ts';
import { figure } from '../../../../core/figures.ts';
import {
  lostFacts,
  replacementRecord,
  SIZE_SOURCES,
  sizeByPicture,
  type Kit,
  type Replacement,
} from '../../../../core/kit/index.ts';
import type { DetailTools } from '../DetailList.tsx';
import { RecordCard } from '../RecordCard.tsx';

const SOURCE_WORDS: Readonly<Record<(typeof SIZE_SOURCES)[number], string>> = {
  'not known': 'not known yet',
  twin: 'its twin',
  place: 'the place it sits in',
  sheet: 'the sheet',
  picture: 'a picture',
  box: 'measured before',
};

interface LostCardProps extends DetailTools<Replacement> {
  replacement: Replacement;
  kit: Kit;
}

/** What was lost: what it joins, how large it was, and the plain shape that comes nearest. */
export function LostCard({ replacement, kit, onChange, onRemove }: LostCardProps) {
  const { asks } = PIECE_FACTS[replacement.shape];
  return (
    <RecordCard
      record={replacement}
      fields={replacementRecord.fields}
      kit={kit}
      partLabel="Part of this kit"
      figures={[
        ['count', 'How many of it'] as const,
        ...(Object.entries(asks) as [PieceSize, string][]).map(([key, label]) => [key, label] as const),
      ]}
      onChange={onChange}
      onRemove={onRemove}
      after={
        <SizeFromPicture
          onSize={(mm) =>
            onChange({ sizeFrom: 'picture', ...('lengthMm' in asks ? { lengthMm: mm } : { widthMm: mm }) })
          }
        />
      }
    >
      <WhatItWas replacement={replacement} kit={kit} />
      <Group gap="xs" grow mt={6}>
        <Select
          size="xs"
          label="Its plain shape"
          allowDeselect={false}
          data={PIECE_SHAPES.map((value) => ({ value, label: PIECE_FACTS[value].name }))}
          value={replacement.shape}
          onChange={(shape) => shape && onChange({ shape: shape })}
        />
        <Select
          size="xs"
          label="Its size is known from"
          allowDeselect={false}
          data={SIZE_SOURCES.map((value) => ({ value, label: SOURCE_WORDS[value] }))}
          value={replacement.sizeFrom}
          onChange={(sizeFrom) => sizeFrom && onChange({ sizeFrom })}
        />
      </Group>
    </RecordCard>
  );
}

function WhatItWas({ replacement: { partId }, kit }: Pick<LostCardProps, 'replacement' | 'kit'>) {
  const part = kit.parts.find(({ id }) => id === partId);
  if (!part) return null;
  const { joins, twins, lengthMm, from } = lostFacts(part, kit);
  return (
    <dl className="rows small" style={{ gridTemplateColumns: '90px 1fr' }}>
      <dt>It joins</dt>
      <dd className="left">
        {joins.length === 0
          ? 'no joint of it is known'
          : joins.map(({ name, seam }) => `${name}${seam === 'vanish' ? ', without a seam' : ''}`).join('; ')}
      </dd>
      <dt>Like it</dt>
      <dd className="left">{twins.length === 0 ? 'nothing in this kit' : twins.join('; ')}</dd>
      <dt>Its length</dt>
      <dd className="left">
        {lengthMm === null ? 'nobody measured it' : `${figure(lengthMm, 'mm', 1)}, ${from}`}
      </dd>
    </dl>
  );
}

/** A size taken from a picture by something beside it that can be measured. */
function SizeFromPicture({ onSize }: { onSize: (mm: number) => void }) {
  const [said, setSaid] = useState({ mm: '', inPicture: '', wanted: '' });
  const known = (key: keyof typeof said, label: string, suffix: string) => (
    <NumberInput
      size="xs"
      label={label}
      suffix={suffix}
      min={0}
      hideControls
      value={said[key]}
      onChange={(value) => setSaid({ ...said, [key]: String(value) })}
    />
  );
  const size = sizeByPicture({ mm: Number(said.mm), inPicture: Number(said.inPicture) }, Number(said.wanted));
  return (
    <details className="mt8">
      <summary className="small">Take its size from a picture with something beside it</summary>
      <Group gap="xs" mt={6} align="end" grow>
        {known('mm', 'That thing on the model', ' mm')}
        {known('inPicture', 'The same in the picture', '')}
        {known('wanted', 'What is lost, in the picture', '')}
      </Group>
      <Group gap="xs" mt={6}>
        <Button
          size="xs"
          variant="default"
          disabled={size === null}
          onClick={() => size !== null && onSize(Math.round(100 * size) / 100)}
        >
          {size === null ? 'three figures are wanted' : `Take ${figure(size, 'mm')}`}
        </Button>
        <Text size="xs">in any unit, both with the same rule; what lies deeper looks smaller</Text>
      </Group>
    </details>
  );
}
