import { Kbd, Modal } from '@mantine/core';
import { STAGES } from '../drawers.ts';

const KEYS: [keys: string[], what: string][] = [
  [['Ctrl', 'K'], 'find anything'],
  [['?'], 'this sheet'],
  [['H'], 'all builds'],
  [['T'], 'tonight'],
  ...STAGES.map(({ name }, index): [string[], string] => [[String(index + 1)], `stage: ${name}`]),
  [['Ctrl', 'Z'], 'undo'],
  [['Ctrl', 'Shift', 'Z'], 'redo'],
  [['Enter'], 'the brass action of the screen'],
  [['S'], 'tonight: start the step'],
  [['D'], 'tonight: done'],
  [['A'], 'tonight: decisions, notes, fits and lessons of the step'],
  [['↑', '↓', 'Tab'], 'parts: move in the grid; type or Enter to edit'],
  [['Ctrl', 'End'], 'parts: to the row that adds one'],
  [['←', '→'], 'tonight: look at the step before or after'],
];

export function ShortcutSheet({ onClose }: { onClose: () => void }) {
  return (
    <Modal opened onClose={onClose} title="Keys">
      <dl className="rows">
        {KEYS.map(([keys, what]) => (
          <div key={what} className="contents">
            <dt>
              {keys.map((key) => (
                <Kbd key={key} mr={4}>
                  {key}
                </Kbd>
              ))}
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}
