import { Button } from '@mantine/core';
import type { LiveryView, ViewMoulding } from '../../../core/kit/index.ts';
import { mouldedLines, SIDES_OF_LINE, sidesOfLine, type SideOfLine } from '../../../core/livery/index.ts';
import { NamedPaths } from './NamedPaths.tsx';

interface MouldingsProps {
  view: LiveryView;
  onSave: (mouldings: ViewMoulding[]) => void;
  /** An area of colour up to a line; null while there is no finish for one. */
  onPaint: ((line: ViewMoulding, side: SideOfLine) => void) | null;
}

/** Panel lines, creases and mouldings of a view: what an edge of colour can follow. */
export const Mouldings = ({ view: { id: viewId, mouldings = [] }, onSave, onPaint }: MouldingsProps) => (
  <NamedPaths
    title="Moulded lines"
    empty="None. Panel lines and mouldings go here: colour that ends along one is masked faster, and its edge is hidden."
    viewId={viewId}
    paths={mouldings}
    another={{
      label: 'Another line',
      example: 'waist moulding',
      path: 'M4 24 Q60 20 120 23',
      act: 'It runs there',
    }}
    usualName="moulded line"
    isLine
    actsOf={(line) => {
      const [course] = mouldedLines({ mouldings: [line] }).lines;
      return (
        onPaint &&
        course &&
        SIDES_OF_LINE.map((side) => (
          <Button key={side} size="compact-xs" variant="subtle" onClick={() => onPaint(line, side)}>
            Colour {sidesOfLine(course.points)[side]} it
          </Button>
        ))
      );
    }}
    onSave={onSave}
  />
);
