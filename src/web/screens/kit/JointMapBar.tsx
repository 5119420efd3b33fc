import { UnstyledButton } from '@mantine/core';
import { ZOOMS } from './useJointMapLayout.ts';

interface MapBarProps {
  zoom: number;
  onZoom: (zoom: number) => void;
  /** The zoom at which all of it is in view; absent while it is laid out. */
  wholeMap: (() => number) | undefined;
}

/** What lines and dots of the joint map mean, and how large it is. */
export const MapBar = ({ zoom, onZoom, wholeMap }: MapBarProps) => (
  <div className="mapbar">
    <span>
      <svg width={34} height={10} aria-hidden>
        <line x1={0} y1={5} x2={34} y2={5} stroke="#161616" strokeWidth={3} />
      </svg>{' '}
      before paint
    </span>
    <span>
      <svg width={34} height={10} aria-hidden>
        <line x1={0} y1={5} x2={34} y2={5} stroke="#161616" strokeWidth={1.6} strokeDasharray="5 4" />
      </svg>{' '}
      after
    </span>
    <span>
      <svg width={14} height={12} aria-hidden>
        <circle cx={7} cy={6} r={4} fill="#efefef" stroke="#161616" strokeWidth={1.6} />
      </svg>{' '}
      moves
    </span>
    <span className="ml-auto in-row g6">
      <UnstyledButton disabled={!wholeMap} onClick={() => wholeMap && onZoom(wholeMap())}>
        Whole map
      </UnstyledButton>
      <UnstyledButton
        aria-label="Smaller"
        disabled={zoom === 0}
        onClick={() => onZoom(Math.max(0, zoom - 1))}
      >
        −
      </UnstyledButton>
      <UnstyledButton
        aria-label="Larger"
        disabled={zoom === ZOOMS.length - 1}
        onClick={() => onZoom(Math.min(ZOOMS.length - 1, zoom + 1))}
      >
        +
      </UnstyledButton>
    </span>
  </div>
);
