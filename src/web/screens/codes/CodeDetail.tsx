import { schemaTextLimits } from '../../components/limits.ts';
import { bare, figure } from '../../../core/figures.ts';
import { Button, TextInput, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { CODE_USES, codeUpdate, type CodeRecord } from '../../../api/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { GEOMETRY_NAMES, spectrumToDisplay, type IlluminantId } from '../../../core/colour/index.ts';
import { disagreements, seenSource, sourceUncertainty, type CodeSource } from '../../../core/match/index.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { Notice } from '../../components/Notice.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { PROVENANCE_WORDS } from '../../components/provenance.ts';
import { Spoon } from '../../components/Spoon.tsx';
import { Why } from '../../components/Why.tsx';
import { hasFlake } from '../../data/mixable.ts';
import { ReaderPanel } from '../../components/ReaderPanel.tsx';
import { USE_WORDS } from './useWords.ts';
import { noticeUnderstood, readChip, saveCode, saveSources } from '../../data/codes.ts';

/** One code: its colour in the booth, every source of it, which is in force and why, and how far they differ. */
export function CodeDetail({ code, onNear }: { code: CodeRecord; onNear: () => void }) {
  const [light, setLight] = useState<IlluminantId>('D65');
  const [reading, setReading] = useState(false);
  const about = (change: Partial<Pick<CodeRecord, 'years' | 'suppliers' | 'use'>>) => {
    const { name, years, suppliers, use, sources } = code;
    const after = { name, years, suppliers, use, sources, ...change };
    if (after.years === years && after.suppliers === suppliers && after.use === use) return;
    void saveCode(code, after, `what is known of ${code.code}`).catch(() => undefined);
  };
  const force = code.sources.find(({ inForce }) => inForce);
  const apart = disagreements(code.sources, code.gloss);
  const worst = apart[0];
  const spectra = useMemo(
    () => new Map(code.sources.map((source) => [source, spectrumOf(source, code)])),
    [code],
  );
  const seen = (source: CodeSource) =>
    spectrumToDisplay(spectra.get(source)!, { illuminant: light, observer: '2deg' }).hex;
  const change = (sources: CodeSource[], label: string) =>
    void saveSources(code, sources, label).catch(() => undefined);
  const choose = (index: number) =>
    change(
      code.sources.map(({ chosen: _, ...source }, at) => ({
        ...source,
        ...(at === index && { chosen: true }),
      })),
      `source of ${code.code}`,
    );
  const letDecide = () =>
    change(
      code.sources.map(({ chosen: _, ...source }) => source),
      `source of ${code.code}`,
    );
  return (
    <>
      <section className="booth" aria-label="Booth" data-light={light}>
        <div className="in-row middle apart g12 breaks">
          <h2>{code.name || code.code}</h2>
          <LightSwitch light={light} onChange={setLight} />
        </div>
        <ul
          style={{
            display: 'flex',
            gap: 14,
            flexWrap: 'wrap',
            listStyle: 'none',
            padding: 0,
            margin: '14px 0 0',
          }}
        >
          {code.sources.map((source, index) => (
            <li key={index} style={{ width: 150, textAlign: 'center' }}>
              <Spoon
                hex={seen(source)}
                flakeUm={hasFlake(code.kind) ? 12 : null}
                width={source.inForce ? 120 : 84}
                label={PROVENANCE_WORDS[source.provenance]}
              />
              <b className="block">{PROVENANCE_WORDS[source.provenance]}</b>
              <span className="mono">±{figure(sourceUncertainty(source), 'dE')}</span>
            </li>
          ))}
        </ul>
        {force && worst && (
          <figure className="well" style={{ margin: '14px 0 0' }}>
            <figcaption className="small">
              Edge to edge, largest disagreement: {PROVENANCE_WORDS[force.provenance].toLowerCase()} left,{' '}
              {PROVENANCE_WORDS[worst.source.provenance].toLowerCase()} right, {figure(worst.dE00, 'dE')}
              {worst.words && ` (${worst.words})`}
            </figcaption>
            <div
              role="img"
              aria-label="Two sources without a gap"
              style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', height: 130, marginTop: 6 }}
            >
              <span style={{ background: seen(force) }} />
              <span style={{ background: seen(worst.source) }} />
            </div>
          </figure>
        )}
      </section>
      <section className="column" aria-label="What is known">
        <h2>What is known</h2>
        <div className="panel">
          <h3>
            <span className="mono">{code.code}</span> {code.name}
          </h3>
          <Notice
            text={code.notice}
            onUnderstood={() => void noticeUnderstood(code).catch(() => undefined)}
          />
          <dl className="rows small">
            <dt>Maker</dt>
            <dd>{code.maker}</dd>
            <dt>Kind</dt>
            <dd>
              {code.kind}, seen with {figure(code.gloss, 'GU')}
            </dd>
          </dl>
          <ChoiceSelect
            mt={8}
            label="Is for"
            values={CODE_USES}
            words={USE_WORDS}
            value={code.use ?? 'body'}
            onSave={(use) => about({ use })}
          />
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 2fr', gap: 8, marginTop: 8 }}>
            <TextInput
              size="xs"
              label="Years"
              key={`years ${code.years}`}
              defaultValue={code.years}
              {...schemaTextLimits(codeUpdate, 'years')}
              onBlur={({ currentTarget: { value } }) => about({ years: value.trim() })}
            />
            <TextInput
              size="xs"
              label="Plants and suppliers"
              key={`suppliers ${code.suppliers}`}
              defaultValue={code.suppliers}
              {...schemaTextLimits(codeUpdate, 'suppliers')}
              onBlur={({ currentTarget: { value } }) => about({ suppliers: value.trim() })}
            />
          </div>
          <UnstyledButton className="why mt8" onClick={onNear}>
            list all codes by nearness to this one
          </UnstyledButton>
        </div>
        <div className="panel">
          <h3>
            Sources{' '}
            <Why about="which source is in force">
              The surest source decides: a reading before a chip by eye, that before a restored vehicle, a
              swatch, a picture, a guess. Of equally sure ones a spectrum goes before Lab. You can put another
              in force.
            </Why>
          </h3>
          <div role="radiogroup" aria-label="Source in force" className="stacked g8">
            {code.sources.map((source, index) => {
              const differs = apart.find((one) => one.source === source);
              return (
                <div key={index} style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 6 }}>
                  <UnstyledButton
                    role="radio"
                    aria-checked={source.inForce}
                    className="offer"
                    onClick={() => choose(index)}
                  >
                    <b>{PROVENANCE_WORDS[source.provenance]}</b>
                    {source.inForce
                      ? source.chosen
                        ? ', in force by your choice'
                        : ', in force: the surest'
                      : ''}
                    <span className="small block">
                      {source.note}
                      {source.spectrum ? ', spectrum' : ''}
                      <span className="block">
                        measured {GEOMETRY_NAMES[source.geometry ?? 'unknown']}
                        {source.gloss === null || source.gloss === undefined ? '' : `, ${source.gloss} GU`}
                      </span>
                    </span>
                    <span className="mono small block">
                      L {bare(source.lab.L, 'L')} a {bare(source.lab.a, 'L')} b {bare(source.lab.b, 'L')}, ±
                      {figure(sourceUncertainty(source), 'dE')}
                    </span>
                    {differs && (
                      <span className="small block">
                        {figure(differs.dE00, 'dE')} away{differs.words && `: ${differs.words}`}
                        {differs.beyondDoubt ? ' – more than both doubts explain' : ''}
                      </span>
                    )}
                  </UnstyledButton>
                  {code.sources.length > 1 && (
                    <RemoveButton
                      name={`Remove ${PROVENANCE_WORDS[source.provenance]} from ${code.code}`}
                      onRemove={() =>
                        change(
                          code.sources.filter((_, at) => at !== index),
                          `source removed from ${code.code}`,
                        )
                      }
                    />
                  )}
                </div>
              );
            })}
          </div>
          {code.sources.some(({ chosen }) => chosen) && (
            <UnstyledButton className="why mt8" onClick={letDecide}>
              let the surest decide
            </UnstyledButton>
          )}
        </div>
        {reading ? (
          <ReaderPanel subject={`a chip of ${code.code}`} onRead={() => readChip(code, '')} />
        ) : (
          <Button onClick={() => setReading(true)}>Read a chip of it</Button>
        )}
      </section>
    </>
  );
}

/** How a source looks beside the others: without the shine, with the gloss wanted. */
function spectrumOf(source: CodeSource, code: CodeRecord): readonly number[] {
  return source.inForce ? code.spectrum : seenSource(source, code.gloss);
}
