import { Button, Group, NumberInput, SegmentedControl, Select, SimpleGrid } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import { CARD_GREY, labToDisplay, photographAgainst, type Region } from '../../../../core/colour/index.ts';
import { bare, figure } from '../../../../core/figures.ts';
import type { AlbumPicture } from '../../../../core/record/index.ts';
import { Spoon } from '../../../components/Spoon.tsx';
import { pictureAddress } from '../../../data/pictures.ts';
import { PictureMarks, type Mark, type MarkKind } from '../../codes/PictureMarks.tsx';
import { usePicture } from '../../codes/usePicture.ts';
import type { LiveryColour } from '../../colour/palette/paletteTargets.ts';

type Marked = Extract<MarkKind, 'grey' | 'patch'>;
const NAMES: Readonly<Record<Marked, string>> = { grey: 'Grey card', patch: 'Colour' };
const MIDDLE: Region = { x: 0.44, y: 0.44, width: 0.12, height: 0.12 };

interface ColourInPictureProps {
  picture: AlbumPicture;
  /** Colours that it may be compared with, the likeliest first. */
  targets: readonly LiveryColour[];
}

/** A colour in a picture of the model against what it should be: a grey card in the picture takes out the light. */
export function ColourInPicture({ picture, targets }: ColourInPictureProps) {
  const [marks, setMarks] = useState<Mark[]>([]);
  const [tool, setTool] = useState<Marked>('grey');
  const [card, setCard] = useState(100 * CARD_GREY);
  const [targetId, setTargetId] = useState<string | null>(null);
  const question = useMemo(() => {
    const regions = (kind: Marked) => marks.filter((mark) => mark.kind === kind);
    return {
      cards: regions('grey').map(({ x, y, width, height }) => ({
        name: 'grey card',
        region: { x, y, width, height },
        reflectance: card / 100,
      })),
      patches: regions('patch').map(({ x, y, width, height }) => ({ x, y, width, height })),
    };
  }, [marks, card]);
  const { picture: opened, open, problem, colours } = usePicture(question);
  const failed = useOpened(picture, open);
  const target = targets.find(({ id }) => id === targetId) ?? targets[0];
  const seen = question.patches.length > 0 ? colours?.[0] : undefined;
  const draw = (region: Region) => {
    setMarks([
      ...marks.filter(({ kind }) => kind !== tool),
      { ...region, id: `${picture.id} ${tool}`, kind: tool, name: NAMES[tool] },
    ]);
    setTool('patch');
  };
  return (
    <SimpleGrid cols={{ base: 1, md: 2 }} spacing="md">
      <div>
        {(failed ?? problem) && <p role="alert">{failed ?? problem}</p>}
        {opened && (
          <div className="booth">
            <PictureMarks
              url={opened.url}
              marks={marks}
              tool={tool}
              onDraw={draw}
              onMove={(id, region) =>
                setMarks(marks.map((mark) => (mark.id === id ? { ...mark, ...region } : mark)))
              }
            />
          </div>
        )}
      </div>
      <div className="stacked g8">
        <Group gap="xs">
          <SegmentedControl
            aria-label="What the next rectangle marks"
            data={(['grey', 'patch'] as const).map((kind) => ({ value: kind, label: NAMES[kind] }))}
            value={tool}
            onChange={(kind) => setTool(kind)}
          />
          <Button size="xs" variant="default" disabled={!opened} onClick={() => draw(MIDDLE)}>
            Mark the {NAMES[tool].toLowerCase()} in the middle
          </Button>
        </Group>
        <p className="soft small">
          Draw a rectangle over the grey card, then over an even part of the colour, away from the gloss of
          the lamp. By keyboard: put it in the middle, then move it with the arrow keys, shift for its size.
        </p>
        <NumberInput
          label="The grey card reflects, %"
          w={180}
          min={1}
          max={100}
          value={card}
          onChange={(value) => typeof value === 'number' && value > 0 && setCard(value)}
        />
        <Select
          label="It should be"
          placeholder="no colour of this build has a code"
          data={targets.map(({ id, label, name, where }) => ({
            value: id,
            label: `${label} ${name}, ${where.join(', ')}`,
          }))}
          value={target?.id ?? null}
          onChange={(id) => setTargetId(id)}
        />
        {seen && <Read seen={seen} target={target} />}
      </div>
    </SimpleGrid>
  );
}

/** Opens a picture of the album where it is not open yet; why it could not be. */
function useOpened(picture: AlbumPicture, open: (file: File) => Promise<void>): string | undefined {
  const [failed, setFailed] = useState<string>();
  const { pictureId, what } = picture;
  useEffect(() => {
    let wanted = true;
    fetch(pictureAddress(pictureId))
      .then(async (answer) => {
        if (!answer.ok) throw new Error('The picture could not be fetched; try again in a moment.');
        const bytes = await answer.blob();
        if (wanted) await open(new File([bytes], what, { type: bytes.type }));
      })
      .catch((error: unknown) => wanted && setFailed((error as Error).message));
    return () => {
      wanted = false;
    };
  }, [pictureId, what, open]);
  return failed;
}

interface ReadProps {
  seen: { lab: LiveryColour['lab']; uncertainty: number; warnings: readonly string[] };
  target: LiveryColour | undefined;
}

/** What was read, and how it stands to the target. */
function Read({ seen, target }: ReadProps) {
  const against = target && photographAgainst(seen, target);
  return (
    <div className="stacked g8">
      <div className="booth in-row g12">
        {[
          { name: 'in the picture', lab: seen.lab },
          ...(target ? [{ name: `wanted: ${target.name}`, lab: target.lab }] : []),
        ].map(({ name, lab }) => (
          <figure key={name} className="namedspoon m0">
            <Spoon hex={labToDisplay(lab).hex} width={44} label={name} />
            <figcaption>{name}</figcaption>
          </figure>
        ))}
      </div>
      <p className="mono small">
        L {bare(seen.lab.L, 'L')} a {bare(seen.lab.a, 'L')} b {bare(seen.lab.b, 'L')}, known to about ±
        {figure(seen.uncertainty, 'dE')}
      </p>
      {against && (
        <p>
          {against.differs ? (
            <>
              <b>Another colour</b>: {against.words}, {figure(against.dE00, 'dE')} where picture and target
              may err by {figure(against.uncertainty, 'dE')}.
            </>
          ) : (
            <>
              <b>No difference that a picture could show</b>: {figure(against.dE00, 'dE')}, and picture and
              target may err by {figure(against.uncertainty, 'dE')}. A spoon under the reader tells more.
            </>
          )}
        </p>
      )}
      {target?.kind !== undefined && target.kind !== 'solid' && (
        <p className="soft small">
          {target.name} changes with the angle; a picture holds one of them, so lightness says little here.
        </p>
      )}
      {seen.warnings.map((warning) => (
        <p key={warning} className="soft small">
          {warning}
        </p>
      ))}
    </div>
  );
}
