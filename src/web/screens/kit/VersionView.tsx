import { Button, MultiSelect, Radio, Select, TextInput, UnstyledButton } from '@mantine/core';
import { IconCheck, IconClock, IconHandStop } from '@tabler/icons-react';
import { useState } from 'react';
import { KIT_ITEMS } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { textLimits } from '../../components/limits.ts';
import {
  chosenAs,
  resolveVersion,
  WORK_KINDS,
  workRecord,
  type IrreversibleWork,
  type KitChange,
  type VersionChoice,
  type VersionOption,
  choiceRecord,
} from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { benchMinute } from '../../data/clock.ts';
import { newId } from '../../data/newId.ts';
import { AddByName } from './AddByName.tsx';
import type { KitViewProps } from './kitView.ts';
import { labelled, partOptions } from './partNames.ts';

const VERDICTS = {
  do: { Icon: IconCheck, word: 'Do it' },
  wait: { Icon: IconClock, word: 'Not yet' },
  refuse: { Icon: IconHandStop, word: 'Leave it' },
} as const;

/** Which subject this kit becomes, and what must not be drilled for another. */
export function VersionView({ build, kit }: KitViewProps) {
  const version = resolveVersion(kit);
  const [editing, setEditing] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const send = (changes: KitChange[], label: string) =>
    changeKit(build.id, changes, label).then(() => setProblem(null));
  const save = (changes: KitChange[], label: string) =>
    void send(changes, label).catch((error: unknown) => setProblem((error as Error).message));
  const put = (choice: VersionChoice, label = choice.name) =>
    save([{ kind: 'choice', id: choice.id, value: choice }], label);
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Which one you are building</h2>
        {problem && <p role="alert">{problem}</p>}
        {version.clashes.map(({ message }) => (
          <p key={message} role="alert" className="panel warned">
            {message}
          </p>
        ))}
        {kit.choices.length === 0 && (
          <p className="panel">
            One kit often builds several subjects: year, number, engine, roof, drive side. Name each choice
            with its options before anything is cut, and say which parts and holes each needs; Fanfare then
            stops the drill where no chosen option asks for it.
          </p>
        )}
        {kit.choices.map((choice) => (
          <div key={choice.id} className="panel" role="group" aria-label={choice.name}>
            <div className="in-row apart">
              <h3>{choice.name}</h3>
              <UnstyledButton
                className="why"
                aria-expanded={editing === choice.id}
                onClick={() => setEditing((now) => (now === choice.id ? null : choice.id))}
              >
                {editing === choice.id ? 'done' : `edit ${choice.name.toLowerCase()}`}
              </UnstyledButton>
            </div>
            <div
              style={{ display: 'grid', gap: 6, gridTemplateColumns: 'repeat(auto-fit, minmax(200px, 1fr))' }}
            >
              {choice.options.map((option) => (
                <Radio
                  key={option.id}
                  className={`optioncard${choice.chosen === option.id ? ' chosen' : ''}`}
                  name={choice.id}
                  label={option.name}
                  description={describe(option)}
                  checked={choice.chosen === option.id}
                  onChange={() =>
                    put(chosenAs(choice, option.id, benchMinute()), `${choice.name}: ${option.name}`)
                  }
                />
              ))}
            </div>
            {choice.chosen !== null && (
              <UnstyledButton
                className="why mt6"

                onClick={() => put(chosenAs(choice, null, benchMinute()), `${choice.name} open again`)}
              >
                leave it open
              </UnstyledButton>
            )}
            {editing === choice.id && (
              <ChoiceEditor
                choice={choice}
                kit={kit}
                onChange={put}
                onRemove={() => {
                  setEditing(null);
                  save([{ kind: 'choice', id: choice.id, value: null }], `remove ${choice.name}`);
                }}
              />
            )}
          </div>
        ))}
        <AddByName
          large
          label="New choice"
          placeholder="roof, engine, drive side, number"
          button="Add the choice"
          field={choiceRecord.fields.name}
          onAdd={(name) => {
            const choice: VersionChoice = {
              id: newId(build.id),
              name,
              chosen: null,
              options: ['one way', 'the other'].map((label) => ({
                ...EMPTY_OPTION,
                id: newId(build.id),
                name: label,
              })),
            };
            put(choice);
            setEditing(choice.id);
          }}
        />
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className="panel">
          <h3>Before you cut or drill</h3>
          {version.works.length === 0 && (
            <p className="soft small">
              List holes, cuts and pins below; each names the option that needs it.
            </p>
          )}
          {version.works.map(({ work, verdict, reason }) => {
            const { Icon, word } = VERDICTS[verdict];
            const part = kit.parts.find(({ id }) => id === work.partId);
            return (
              <div
                key={work.id}
                className={`finding ${verdict === 'do' ? 'note' : 'warn'}`}
                style={{ marginTop: 8 }}
              >
                <b>
                  <Icon size={17} aria-hidden /> {word}: {work.name}
                </b>
                <p className="small">
                  {part && <span className="mono">{labelled(part)}. </span>}
                  {reason}{' '}
                  <UnstyledButton
                    className="why"
                    aria-label={`Remove ${work.name}`}
                    onClick={() => save([{ kind: 'work', id: work.id, value: null }], `remove ${work.name}`)}
                  >
                    remove
                  </UnstyledButton>
                </p>
              </div>
            );
          })}
          <NewWork
            kit={kit}
            onAdd={(work) => send([{ kind: 'work', id: newId(build.id), value: work }], work.name)}
          />
        </div>
        {version.leftOver.size > 0 && (
          <div className="panel">
            <h3>Left over for the spares box</h3>
            {kit.parts
              .filter(({ id }) => version.leftOver.has(id))
              .map((part) => (
                <p key={part.id} className="small">
                  <b>{labelled(part)}.</b> <span className="soft">{version.leftOver.get(part.id)}</span>
                </p>
              ))}
          </div>
        )}
      </section>
    </>
  );
}

const EMPTY_OPTION: Omit<VersionOption, 'id' | 'name'> = {
  needs: [],
  rulesOut: [],
  markings: [],
  finishIds: [],
};

function describe({ needs, rulesOut, markings, finishIds }: VersionOption): string {
  const parts = [
    needs.length > 0 ? `${needs.length} ${needs.length === 1 ? 'part' : 'parts'} of its own` : '',
    rulesOut.length > 0 ? `leaves off ${rulesOut.length}` : '',
    finishIds.length > 0 ? `${finishIds.length} ${finishIds.length === 1 ? 'colour' : 'colours'}` : '',
    markings.length > 0 ? `${markings.length} ${markings.length === 1 ? 'marking' : 'markings'}` : '',
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : 'needs nothing of its own';
}

function ChoiceEditor({
  choice,
  kit,
  onChange,
  onRemove,
}: {
  choice: VersionChoice;
  kit: KitViewProps['kit'];
  onChange: (choice: VersionChoice) => void;
  onRemove: () => void;
}) {
  const parts = partOptions(kit);
  const setOption = (id: string, change: Partial<VersionOption>) =>
    onChange({
      ...choice,
      options: choice.options.map((option) => (option.id === id ? { ...option, ...change } : option)),
    });
  return (
    <div
      style={{ display: 'grid', gap: 10, marginTop: 10, borderTop: '1px solid var(--line)', paddingTop: 10 }}
    >
      {choice.options.map((option) => (
        <div key={option.id} className="fieldgrid">
          <TextInput
            size="xs"
            label="Option"
            defaultValue={option.name}
            {...textLimits(choiceRecord.fields.name)}
            onBlur={(event) => {
              const name = event.currentTarget.value.trim();
              if (name && name !== option.name) setOption(option.id, { name });
            }}
          />
          <TextInput
            size="xs"
            label="Markings, with commas between"
            defaultValue={option.markings.join(', ')}
            onBlur={(event) => {
              const markings = event.currentTarget.value
                .split(',')
                .map((marking) => marking.trim())
                .filter(Boolean);
              if (markings.join() !== option.markings.join()) setOption(option.id, { markings });
            }}
          />
          <MultiSelect
            size="xs"
            searchable
            label="Parts that only this option uses"
            data={parts}
            value={option.needs}
            onChange={(needs) => setOption(option.id, { needs })}
          />
          <MultiSelect
            size="xs"
            searchable
            label="Parts that it leaves off"
            data={parts}
            value={option.rulesOut}
            onChange={(rulesOut) => setOption(option.id, { rulesOut })}
          />
          <MultiSelect
            size="xs"
            searchable
            label="Finishes that it needs"
            data={kit.finishes.map(({ id, name }) => ({ value: id, label: name }))}
            value={option.finishIds}
            onChange={(finishIds) => setOption(option.id, { finishIds })}
          />
          {choice.options.length > 1 && (
            <UnstyledButton
              className="why left"

              onClick={() =>
                onChange({
                  ...(choice.chosen === option.id ? chosenAs(choice, null, benchMinute()) : choice),
                  options: choice.options.filter(({ id }) => id !== option.id),
                })
              }
            >
              remove this option
            </UnstyledButton>
          )}
        </div>
      ))}
      <div className="toolrow">
        <Button
          onClick={() =>
            onChange({
              ...choice,
              options: [...choice.options, { ...EMPTY_OPTION, id: newId(choice.id), name: 'another' }],
            })
          }
        >
          Add an option
        </Button>
        <Button onClick={onRemove}>Remove this choice</Button>
      </div>
    </div>
  );
}

function NewWork({
  kit,
  onAdd,
}: {
  kit: KitViewProps['kit'];
  onAdd: (work: Omit<IrreversibleWork, 'id'>) => Promise<void>;
}) {
  const [by, setBy] = useState<string | null>(null);
  const { text, pick, problem, submit } = useRecordForm(workRecord.fields, KIT_ITEMS.work, {
    asks: { name: 'Say what is opened or cut.', partId: 'Say on which part.' },
    prepare: (work) => ({
      ...work,
      always: by === 'always',
      neededBy: by === null || by === 'always' ? [] : [by],
    }),
  });
  const options = [
    { value: 'always', label: 'every version' },
    ...kit.choices.flatMap((choice) =>
      choice.options.map(({ id, name: option }) => ({ value: id, label: `${choice.name}: ${option}` })),
    ),
  ];
  return (
    <form className="fieldgrid mt12" onSubmit={submit(onAdd, ['name'])}>
      <Select size="xs" label="Work" data={[...WORK_KINDS]} {...pick('kind')} />
      <Select size="xs" searchable label="On part" data={partOptions(kit)} {...pick('partId')} />
      <TextInput
        size="xs"
        className="wide"
        label="What"
        placeholder="two holes for the lamps"
        {...text('name')}
      />
      <Select
        size="xs"
        className="wide"
        label="Needed by"
        placeholder="name the version that needs it"
        data={options}
        value={by}
        onChange={setBy}
      />
      <Button type="submit" fullWidth>
        List it
      </Button>
      {problem}
    </form>
  );
}
