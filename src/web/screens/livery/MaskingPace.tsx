import { Button, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { byHandFields, maskingRatesRecord, type Kit, type MaskingRates } from '../../../core/kit/index.ts';
import { ratesOf } from '../../../core/livery/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { capital } from './worded.ts';

const { byHand: _, ...ONES } = maskingRatesRecord.fields;
const ONE_KEYS = Object.keys(ONES) as (keyof typeof ONES)[];
const WAYS = Object.keys(byHandFields) as (keyof typeof byHandFields)[];
const WAY_KEYS = ['begin', 'area', 'edge'] as const;

/** The figures by which orders of colours are weighed: this builder's own, beside the usual ones. */
export function MaskingPace({ buildId, kit }: { buildId: string; kit: Kit }) {
  const [isOpen, setIsOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const own = kit.maskingRates[0];
  const rates = ratesOf(kit);
  const change = (value: object | null, label: string) =>
    void changeKit(buildId, [{ kind: 'masking-rates', id: own?.id ?? newId(buildId), value }], label)
      .then(() => setProblem(null))
      .catch((failure: unknown) => setProblem((failure as Error).message));
  const put = (said: Partial<MaskingRates>) => change({ ...rates, ...said }, 'pace of masking');
  return (
    <div className="panel">
      <h3>How fast you mask</h3>
      <p className="small soft">
        {own
          ? 'The order is weighed by your own figures.'
          : 'The order is weighed by the figures of an ordinary bench.'}
      </p>
      <UnstyledButton className="why" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
        {isOpen ? 'hide the figures' : 'see and change the figures'}
      </UnstyledButton>
      {problem && <p role="alert">{problem}</p>}
      {isOpen && (
        <>
          {ONE_KEYS.map((key) => (
            <FigureInput
              key={key}
              label={capital(ONES[key].label)}
              field={ONES[key]}
              value={rates[key]}
              onSave={(value) => put({ [key]: value })}
            />
          ))}
          {WAYS.flatMap((way) =>
            WAY_KEYS.map((key) => (
              <FigureInput
                key={`${way} ${key}`}
                label={capital(byHandFields[way][key].label)}
                field={byHandFields[way][key]}
                value={rates.byHand[way][key]}
                onSave={(value) =>
                  put({ byHand: { ...rates.byHand, [way]: { ...rates.byHand[way], [key]: value } } })
                }
              />
            )),
          )}
          {own && (
            <Button mt={8} onClick={() => change(null, 'pace of masking')}>
              Back to the usual figures
            </Button>
          )}
        </>
      )}
    </div>
  );
}
