import { NumberInput, Table, Textarea } from '@mantine/core';
import { verdictRecord, type Verdict } from '../../../../core/kit/index.ts';
import { ASPECT_FACTS, ASPECTS, type Aspect } from '../../../../core/record/index.ts';
import { textLimits } from '../../../components/limits.ts';
import type { VerdictProps } from './EndOfIt.tsx';

const WORDS = {
  kit: { title: 'On the kit', field: 'onKit', about: 'for whoever builds it next' },
  work: { title: 'On the work', field: 'onWork', about: 'for yourself' },
} as const;

interface MarksProps extends VerdictProps {
  of: 'kit' | 'work';
  facts: Readonly<Record<Aspect, string[]>>;
}

/** A mark for each thing, beside what the log says of it. */
export function Marks({ of, verdict, facts, onPut }: MarksProps) {
  const { title, field, about } = WORDS[of];
  const given = new Map(verdict.marks.map(({ aspect, mark }) => [aspect, mark]));
  const put = (aspect: Aspect, mark: number | undefined) => {
    if (mark === given.get(aspect)) return;
    const others = verdict.marks.filter((each) => each.aspect !== aspect);
    onPut({ marks: mark === undefined ? others : [...others, { aspect, mark }] }, 'a mark');
  };
  return (
    <div className="panel stacked g8">
      <h3>{title}</h3>
      <Table className="plainlist" aria-label={title}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>what</Table.Th>
            <Table.Th>what the records say</Table.Th>
            <Table.Th>mark of {verdict.best}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {ASPECTS.filter((aspect) => ASPECT_FACTS[aspect].of === of).map((aspect) => (
            <Table.Tr key={aspect}>
              <Table.Td>
                <b>{ASPECT_FACTS[aspect].name}</b>
                <span className="soft small block">best: {ASPECT_FACTS[aspect].best}</span>
              </Table.Td>
              <Table.Td className="small">
                {facts[aspect].join('; ') || <span className="soft">nothing</span>}
              </Table.Td>
              <Table.Td>
                <MarkInput
                  aspect={aspect}
                  best={verdict.best}
                  mark={given.get(aspect)}
                  onSave={(mark) => put(aspect, mark)}
                />
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Textarea
        key={verdict[field]}
        label={`In your words, ${about}`}
        rows={3}
        defaultValue={verdict[field]}
        {...textLimits(verdictRecord.fields[field])}
        onBlur={({ currentTarget: { value } }) =>
          value.trim() !== verdict[field] && onPut({ [field]: value.trim() }, title.toLowerCase())
        }
      />
    </div>
  );
}

interface MarkInputProps {
  aspect: Aspect;
  best: Verdict['best'];
  mark: number | undefined;
  onSave: (mark: number | undefined) => void;
}

/** A mark that may be left open, saved once it is typed. */
const MarkInput = ({ aspect, best, mark, onSave }: MarkInputProps) => (
  <NumberInput
    key={`${mark ?? ''} ${best}`}
    size="xs"
    w={80}
    aria-label={`Mark: ${ASPECT_FACTS[aspect].name}, of ${best}`}
    defaultValue={mark ?? ''}
    min={0}
    max={best}
    allowDecimal={false}
    allowNegative={false}
    onBlur={({ currentTarget: { value } }) =>
      onSave(value.trim() === '' ? undefined : Math.min(best, Math.max(0, Math.round(Number(value)))))
    }
  />
);
