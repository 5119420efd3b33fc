import { bare, figure } from '../../../core/figures.ts';
import { Button, FileButton, NumberInput, Select, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { codeInput, type CodeInput, type CodeRecord } from '../../../api/index.ts';
import { CARD_GREY, labToDisplay, type PhotographColour, type Region } from '../../../core/colour/index.ts';
import { Loading } from '../../components/Loading.tsx';
import { useCheckedForm } from '../../components/form/useCheckedForm.tsx';
import { ASK_MAKER_AND_CODE, MakerAndCode } from '../../components/MakerAndCode.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { Spoon } from '../../components/Spoon.tsx';
import { Why } from '../../components/Why.tsx';
import { addCode, useCodes } from '../../data/bench.ts';
import { newId } from '../../data/newId.ts';
import { PictureMarks, type Mark, type MarkKind } from './PictureMarks.tsx';
import { usePicture } from './usePicture.ts';

const TOOLS: [MarkKind, string][] = [
  ['grey', 'Grey card'],
  ['white', 'White'],
  ['black', 'Black'],
  ['patch', 'Colour'],
];
const FIRST_LEVELS = { grey: 100 * CARD_GREY, white: 88, black: 4 };
const MIDDLE: Region = { x: 0.44, y: 0.44, width: 0.12, height: 0.12 };

/** Colours from a picture: a grey card says what the light was, marked patches say the colours. */
export function PictureScreen() {
  const { data: codes, error } = useCodes();
  const [marks, setMarks] = useState<Mark[]>([]);
  const [tool, setTool] = useState<MarkKind>('grey');
  const [levels, setLevels] = useState(FIRST_LEVELS);
  const question = useMemo(
    () => ({
      cards: marks.flatMap(({ kind, name, x, y, width, height }) =>
        kind === 'patch'
          ? []
          : [{ name: name.toLowerCase(), region: { x, y, width, height }, reflectance: levels[kind] / 100 }],
      ),
      patches: marks
        .filter(({ kind }) => kind === 'patch')
        .map(({ x, y, width, height }) => ({ x, y, width, height })),
    }),
    [marks, levels],
  );
  const { picture, open, problem, colours } = usePicture(question);
  if (!codes) return <Loading what="the codes" error={error} />;
  const patches = marks.filter(({ kind }) => kind === 'patch');
  const draw = (region: Region) => {
    const count = patches.length + 1;
    const name = tool === 'patch' ? `Colour ${count}` : TOOLS.find(([kind]) => kind === tool)![1];
    const others = tool === 'patch' ? marks : marks.filter(({ kind }) => kind !== tool);
    setMarks([...others, { ...region, id: newId('mark'), kind: tool, name }]);
    if (tool === 'grey') setTool('patch');
  };
  const choose = (file: File | null) => {
    if (!file) return;
    setMarks([]);
    setTool('grey');
    void open(file);
  };
  return (
    <div className="columns">
      <section className="column" aria-label="What you know">
        <div className="in-row middle apart g10">
          <h2>Colours from a picture</h2>
          <Link to="/codes">all codes</Link>
        </div>
        <div className="panel stacked g8">
          <h3>1. The picture</h3>
          <p className="small">It stays in this browser; only the colours that you keep are stored.</p>
          <FileButton onChange={choose} accept="image/*">
            {(props) => <Button {...props}>{picture ? 'Take another picture' : 'Choose a picture'}</Button>}
          </FileButton>
          {picture && <p className="small mono">{picture.name}</p>}
        </div>
        <div className="panel stacked g8">
          <h3>
            2. What to mark{' '}
            <Why about="grey card and patches">
              In linear light each channel is scaled so that the card becomes neutral at its reflectance: that
              takes out the colour of the light and the exposure. A white and a black beside it also take out
              glare. A camera still sees colours its own way, so even then a picture is only known to about
              ±4.
            </Why>
          </h3>
          <div className="chips" role="group" aria-label="What the next rectangle marks">
            {TOOLS.map(([kind, name]) => (
              <UnstyledButton
                key={kind}
                className="chip"
                aria-pressed={tool === kind}
                onClick={() => setTool(kind)}
              >
                {name}
              </UnstyledButton>
            ))}
          </div>
          <p className="small soft">
            Draw a rectangle in the picture. By keyboard: put one in the middle, then move it with the arrow
            keys.
          </p>
          <Button disabled={!picture} onClick={() => draw(MIDDLE)}>
            Mark {TOOLS.find(([kind]) => kind === tool)![1].toLowerCase()} in the middle
          </Button>
          {(['grey', 'white', 'black'] as const)
            .filter((kind) => marks.some((mark) => mark.kind === kind))
            .map((kind) => (
              <NumberInput
                key={kind}
                label={`${TOOLS.find(([other]) => other === kind)![1]} reflects, %`}
                min={1}
                max={100}
                value={levels[kind]}
                onChange={(value) =>
                  typeof value === 'number' && value > 0 && setLevels({ ...levels, [kind]: value })
                }
              />
            ))}
        </div>
      </section>
      <section
        className="booth"
        aria-label="Picture"
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault();
          choose(event.dataTransfer.files[0] ?? null);
        }}
      >
        {picture ? (
          <PictureMarks
            url={picture.url}
            marks={marks}
            tool={tool}
            onDraw={draw}
            onMove={(id, region) =>
              setMarks(marks.map((mark) => (mark.id === id ? { ...mark, ...region } : mark)))
            }
          />
        ) : (
          <div style={{ minHeight: 420, display: 'grid', placeItems: 'center', textAlign: 'center' }}>
            <p style={{ maxWidth: 360 }}>
              Drop a picture here. Best in even shade, with a grey card lying on the same plane as the paint
              and no sky in its gloss.
            </p>
          </div>
        )}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {problem && (
          <div className="panel warned" role="alert">
            <p>{problem}</p>
          </div>
        )}
        {patches.length === 0 && !problem && (
          <div className="panel">
            <p>
              Mark the grey card, then the colours. Each comes out with its Lab, how even it is and how sure.
            </p>
          </div>
        )}
        {patches.map((patch, index) => (
          <PatchPanel
            key={patch.id}
            patch={patch}
            colour={colours?.[index]}
            codes={codes}
            pictureName={picture?.name ?? ''}
            onRemove={() => setMarks(marks.filter(({ id }) => id !== patch.id))}
          />
        ))}
      </section>
    </div>
  );
}

interface PatchPanelProps {
  patch: Mark;
  colour: PhotographColour | undefined;
  codes: readonly CodeRecord[];
  pictureName: string;
  onRemove: () => void;
}

const NEW = 'new';

/** One sampled colour, and the way into the codes. */
function PatchPanel({ patch, colour, codes, pictureName, onRemove }: PatchPanelProps) {
  const navigate = useNavigate();
  const [target, setTarget] = useState<string>(NEW);
  const options = useMemo(
    () => [
      { value: NEW, label: 'a new code' },
      ...codes.map(({ id, code, name, maker: of }) => ({ value: id, label: `${code} ${name}, ${of}` })),
    ],
    [codes],
  );
  const known = codes.find(({ id }) => id === target);
  const form = useCheckedForm<{ maker: string; code: string }, CodeInput>({
    initial: { maker: '', code: '' },
    valueOf: ({ maker, code }) => ({
      maker: known?.maker ?? maker.trim(),
      code: known?.code ?? code.trim(),
      name: known?.name ?? '',
      years: known?.years ?? '',
      kind: known?.kind ?? 'solid',
      provenance: 'photograph',
      note: `${patch.name} in ${pictureName}`.slice(0, 300),
      uncertainty: colour && Math.min(30, colour.uncertainty),
      lab: colour?.lab,
      hex: undefined,
    }),
    schema: codeInput,
    asks: ASK_MAKER_AND_CODE,
  });
  const keep = async (code: CodeInput) => {
    const saved = await addCode(code);
    void navigate(`/codes/${encodeURIComponent(saved.id)}`);
  };
  return (
    <div className="panel">
      <div className="in-row apart">
        <h3>{patch.name}</h3>
        <RemoveButton name={`Take out ${patch.name}`} onRemove={onRemove} />
      </div>
      {colour ? (
        <>
          <div className="in-row g12">
            <span className="coatground">
              <Spoon
                hex={labToDisplay(colour.lab).hex}
                width={54}
                label={`${patch.name}, put right by the card`}
              />
            </span>
            <dl className="rows" style={{ flex: 1, alignContent: 'start' }}>
              <dt>L a b</dt>
              <dd className="mono" style={{ whiteSpace: 'nowrap', fontSize: 13 }}>
                {bare(colour.lab.L, 'L')} {bare(colour.lab.a, 'L')} {bare(colour.lab.b, 'L')}
              </dd>
              <dt>Evenness</dt>
              <dd className="mono">{figure(colour.spread, 'dE')}</dd>
              <dt>Known to</dt>
              <dd className="mono">±{figure(colour.uncertainty, 'dE')}</dd>
            </dl>
          </div>
          {colour.warnings.map((warning) => (
            <p key={warning} className="small mt6">
              {warning}
            </p>
          ))}
          <form className="stacked g8 mt8" onSubmit={form.submit(keep)}>
            <Select
              label="Keep it as a source of"
              searchable
              limit={60}
              data={options}
              value={target}
              allowDeselect={false}
              onChange={(value) => setTarget(value ?? NEW)}
            />
            {target === NEW && <MakerAndCode maker={form.input('maker')} code={form.input('code')} />}
            {form.problem}
            <Button type="submit">Keep {patch.name.toLowerCase()}</Button>
          </form>
        </>
      ) : (
        <p className="small soft">Reading…</p>
      )}
    </div>
  );
}
