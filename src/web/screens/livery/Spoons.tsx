import type { CodeRecord } from '../../../api/index.ts';
import { ciede2000, spectrumToLab, type IlluminantId } from '../../../core/colour/index.ts';
import { figure } from '../../../core/figures.ts';
import type { Kit } from '../../../core/kit/index.ts';
import type { MeasuredView } from '../../../core/livery/index.ts';
import { Spoon } from '../../components/Spoon.tsx';
import { hexIn, type PredictedFinish } from './useLivery.ts';

interface SpoonsProps {
  kit: Kit;
  codes: readonly CodeRecord[];
  measured: MeasuredView;
  light: IlluminantId;
  predicted: ReadonlyMap<string, PredictedFinish>;
}

/** Less than this is not seen on a view, cm2. */
const SEEN_CM2 = 0.005;

/** The finishes that a view shows, as spoons: as their stacks will leave them, and how far that is from the code. */
export function Spoons({ kit, codes, measured, light, predicted }: SpoonsProps) {
  const ids = new Set(
    measured.areas.flatMap(({ finishId, cm2 }) => (finishId !== null && cm2 > SEEN_CM2 ? [finishId] : [])),
  );
  const condition = { illuminant: light, observer: '2deg' } as const;
  const shown = kit.finishes.filter(({ id }) => ids.has(id));
  if (shown.length === 0) return null;
  return (
    <div className="panel">
      <h3>As they will look</h3>
      <ul className="spoonrow">
        {shown.map(({ id, name, codeId }) => {
          const own = predicted.get(id);
          const code = codes.find((each) => each.id === codeId);
          const off =
            own && code
              ? ciede2000(spectrumToLab(own.spectrum, condition), spectrumToLab(code.spectrum, condition))
              : undefined;
          return (
            <li key={id}>
              <Spoon
                hex={hexIn(id, kit, codes, light, predicted)}
                gloss={own?.gloss ?? 60}
                width={44}
                label={`${name}, ${own ? 'as planned' : 'as its code asks'}`}
              />
              <span className="small">{name}</span>
              <span className="small soft">
                {own === undefined
                  ? code
                    ? 'no stack yet: as its code asks'
                    : 'no colour yet'
                  : off === undefined
                    ? 'as planned'
                    : `${figure(off, 'dE')} from its code`}
              </span>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
