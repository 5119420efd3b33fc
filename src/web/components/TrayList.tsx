import { UnstyledButton } from '@mantine/core';
import type { CodeRecord, TrayRecord } from '../../api/index.ts';
import type { ProductIndex } from '../../core/kit/index.ts';
import { trayHex } from '../data/buildContext.ts';

interface TrayListProps {
  trays: readonly TrayRecord[];
  chosen: string | undefined;
  products: ProductIndex;
  codes: readonly CodeRecord[];
  note: (tray: TrayRecord) => string;
  onChoose: (tray: TrayRecord) => void;
}

/** The sub-assemblies of a build, each with the colour it gets. */
export function TrayList({ trays, chosen, products, codes, note, onChoose }: TrayListProps) {
  return (
    <ul className="trays" aria-label="Sub-assemblies">
      {trays.map((tray) => (
        <li key={tray.id}>
          <UnstyledButton aria-pressed={tray.id === chosen} onClick={() => onChoose(tray)}>
            <span className="dot" style={{ background: trayHex(tray, products, codes) }} aria-hidden />
            <span className="shrinks">
              <span className="block">{tray.name}</span>
              <span className="soft small block">{note(tray)}</span>
            </span>
          </UnstyledButton>
        </li>
      ))}
    </ul>
  );
}
