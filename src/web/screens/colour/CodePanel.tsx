import { figure } from '../../../core/figures.ts';
import { Select, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import type { CodeRecord } from '../../../api/index.ts';
import { labToDisplay } from '../../../core/colour/index.ts';
import { disagreements, sourceUncertainty } from '../../../core/match/index.ts';
import { noticeUnderstood } from '../../data/codes.ts';
import { Notice } from '../../components/Notice.tsx';
import { PROVENANCE_WORDS } from '../../components/provenance.ts';
import { Why } from '../../components/Why.tsx';
import { OwnCode } from './OwnCode.tsx';

/** Sources further apart than this are said to disagree, dE00. */
const DISAGREEMENT = 1.5;

interface CodePanelProps {
  code: CodeRecord | undefined;
  codes: readonly CodeRecord[];
  onChoose: (code: CodeRecord) => void;
}

/** The factory code wanted, what is known of it and how surely. */
export function CodePanel({ code, codes, onChoose }: CodePanelProps) {
  const [adding, setAdding] = useState(false);
  const options = useMemo(
    () =>
      codes.map(({ id, code: number, name, maker, years }) => ({
        value: id,
        label: `${number} ${name}, ${maker} ${years}`,
      })),
    [codes],
  );
  const apart = code ? (disagreements(code.sources, code.gloss)[0]?.dE00 ?? 0) : 0;
  return (
    <div className="panel">
      <Select
        label="Factory code"
        placeholder={codes.length > 0 ? 'code, name, maker or year' : 'no codes yet: add your own below'}
        searchable
        limit={60}
        nothingFoundMessage="No code by that. Add your own colour below."
        data={options}
        value={code?.id ?? null}
        onChange={(id) => {
          const found = codes.find((other) => other.id === id);
          if (found) onChoose(found);
        }}
      />
      {code && (
        <>
          <Notice
            text={code.notice}
            onUnderstood={() => void noticeUnderstood(code).catch(() => undefined)}
          />
          <p className="small soft" style={{ margin: '6px 0' }}>
            {code.kind}
            {code.angles ? ', five angles' : ''}, seen with {figure(code.gloss, 'GU')}
          </p>
          <dl className="rows small">
            {code.sources.map((source, index) => (
              <div key={index} className="contents">
                <dt title={source.note}>
                  <span
                    className="dot"
                    style={{
                      background: labToDisplay(source.lab).hex,
                      display: 'inline-block',
                      width: 11,
                      height: 11,
                      marginRight: 6,
                    }}
                    aria-hidden
                  />
                  {PROVENANCE_WORDS[source.provenance]}
                  {source.inForce ? ' (in force)' : ''}
                </dt>
                <dd className="mono">±{figure(sourceUncertainty(source), 'dE')}</dd>
              </div>
            ))}
          </dl>
          {apart > DISAGREEMENT && (
            <p className="small mt6">
              Sources disagree by {figure(apart, 'dE')}; the instrument is in force.{' '}
              <Why about="which source is in force">
                A reading of a chip is surer (±0.4) than a restored vehicle (±1.5) or a picture (±4.5), so it
                decides. CIEDE2000 in daylight, 2 degree observer.
              </Why>
            </p>
          )}
          {code.angles && (
            <div
              style={{ display: 'flex', marginTop: 8, borderRadius: 3, overflow: 'hidden' }}
              role="img"
              aria-label="Colour at 15, 25, 45, 75 and 110 degrees from the mirror direction"
            >
              {code.angles.map(({ degrees, lab }) => (
                <span
                  key={degrees}
                  className="mono"
                  style={{
                    flex: 1,
                    background: labToDisplay(lab).hex,
                    color: lab.L > 55 ? '#111' : '#fff',
                    fontSize: 11,
                    textAlign: 'center',
                    padding: '6px 0',
                  }}
                >
                  {degrees}°
                </span>
              ))}
            </div>
          )}
        </>
      )}
      <div className="mt8">
        {adding ? (
          <OwnCode
            onSaved={(saved) => {
              setAdding(false);
              onChoose(saved);
            }}
            onCancel={() => setAdding(false)}
          />
        ) : (
          <UnstyledButton className="why" onClick={() => setAdding(true)}>
            put in a colour of your own
          </UnstyledButton>
        )}
      </div>
    </div>
  );
}
