import { counted } from '../../../core/kit/index.ts';
import { edgeSteps, type EdgeStep, type Stack } from '../../../core/finish/index.ts';
import { Why } from '../../components/Why.tsx';

interface EdgeStepsProps {
  stack: Pick<Stack, 'layers'>;
  finishNames: Readonly<Record<string, string>>;
}

const um = (value: number) => `${Math.round(value)} µm`;

function fateOf({ fate, leftUm, clear, coatsToLevel }: EdgeStep): string {
  switch (fate) {
    case 'open':
      return 'Nothing covers it: it is felt and seen. Thin coats, and pull the tape while the last one is wet.';
    case 'shows':
      return `${um(clear.usual)} of clear keep it as a ridge: it shows until the clear is flatted, and takes ${counted(coatsToLevel!, 'coat')} of it to be flatted level.`;
    case 'too-thin':
      return `${um(clear.usual)} of clear are too thin to flat it level: that takes ${counted(coatsToLevel!, 'coat')}.`;
    case 'level':
      return `Under ${um(clear.usual)} of clear it is flatted level; ${um(Math.max(0, leftUm))} are left over it.`;
  }
}

/** Where the film of one colour, or of decals, ends beside another, and what the clear makes of it. */
export function EdgeSteps({ stack, finishNames }: EdgeStepsProps) {
  const steps = edgeSteps(stack.layers);
  if (steps.length === 0) return null;
  return (
    <div className="panel">
      <h3>
        Edges under the clear{' '}
        <Why about="steps at edges">
          A colour that ends at tape stands proud by its own film, decals by that of their carrier. Clear
          flows over a step and keeps it; only flatting takes it out, and takes as much from the clear on the
          higher side, besides what flatting and polishing take everywhere.
        </Why>
      </h3>
      {steps.map((step) => (
        <p key={step.layerId} className={`small${step.fate === 'level' ? '' : ' finding note'}`}>
          <b>
            {step.finishId === null ? 'Decals' : (finishNames[step.finishId] ?? 'A colour that is gone')}:
          </b>{' '}
          <span className="mono">{um(step.step.usual)}</span>{' '}
          <span className="soft">
            ({Math.round(step.step.low)}–{Math.round(step.step.high)})
          </span>{' '}
          proud. {fateOf(step)}
        </p>
      ))}
    </div>
  );
}
