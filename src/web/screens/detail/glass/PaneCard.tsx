import { Checkbox, MultiSelect, Select, SimpleGrid } from '@mantine/core';
import { PANE_EDGES, PANE_FLAWS, PANE_SOURCES, PANE_TINTS } from '../../../../core/cabin/index.ts';
import { EDGE_TIMES, PANE_ENTRIES, paneRecord, type Kit, type Pane } from '../../../../core/kit/index.ts';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../../components/form/FigureInput.tsx';
import { listLimit } from '../../../components/limits.ts';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { partOptions } from '../../kit/partNames.ts';
import type { DetailTools } from '../DetailList.tsx';
import { WordsInput } from '../WordsInput.tsx';
import { OpenFigure } from '../OpenFigure.tsx';
import { PartSelect } from '../PartSelect.tsx';

const { fields } = paneRecord;

interface PaneCardProps extends DetailTools<Pane> {
  pane: Pane;
  kit: Kit;
}

/** What is known of a pane. */
export function PaneCard({ pane, kit, onChange, onRemove }: PaneCardProps) {
  const others = partOptions(kit).filter(({ value }) => value !== pane.partId);
  const several = (key: 'behind' | 'coveredBy', label: string, placeholder: string) => (
    <MultiSelect
      size="xs"
      label={label}
      placeholder={pane[key].length === 0 ? placeholder : ''}
      searchable
      clearable
      limit={80}
      maxValues={listLimit(fields[key])}
      data={others}
      value={pane[key]}
      onChange={(ids) => onChange({ [key]: ids })}
    />
  );
  return (
    <section className="panel stacked g8" aria-label={pane.name}>
      <div className="toolrow apart">
        <WordsInput
          label="Name"
          field={fields.name}
          value={pane.name}
          onSave={(name) => onChange({ name })}
        />
        <RemoveButton name={`Take out ${pane.name}`} onRemove={onRemove} />
      </div>
      <SimpleGrid cols={{ base: 1, sm: 2 }} spacing="xs" verticalSpacing={4}>
        <PartSelect
          label="The pane"
          kit={kit}
          value={pane.partId}
          onChange={(partId) => onChange({ partId })}
        />
        <PartSelect
          label="Goes into"
          placeholder="by its joint"
          kit={kit}
          value={pane.intoPartId}
          onChange={(intoPartId) => onChange({ intoPartId })}
        />
      </SimpleGrid>
      {several('behind', 'Lies behind it, and must be there before', 'nothing')}
      {several('coveredBy', 'Covers its edge, and comes after', 'nothing')}
      <PaneChoices pane={pane} onChange={onChange} />
      <PaneMaskFields pane={pane} kit={kit} onChange={onChange} />
      <Checkbox
        size="xs"
        label="It comes first"
        checked={pane.first}
        onChange={({ currentTarget: { checked } }) => onChange({ first: checked })}
      />
      <WordsInput label="Note" field={fields.note} value={pane.note} onSave={(note) => onChange({ note })} />
    </section>
  );
}

const PaneChoices = ({ pane, onChange }: Pick<PaneCardProps, 'pane' | 'onChange'>) => (
  <SimpleGrid cols={{ base: 2, sm: 4 }} spacing="xs" verticalSpacing={4}>
    <ChoiceSelect
      label="It is"
      values={PANE_SOURCES}
      words={{ moulded: 'moulded', sheet: 'cut from sheet' }}
      value={pane.source}
      onSave={(source) => onChange({ source })}
    />
    <OpenFigure
      label="Thick, mm"
      placeholder="not measured"
      field={fields.gaugeMm}
      value={pane.gaugeMm}
      onSave={(gaugeMm) => onChange({ gaugeMm })}
    />
    <FigureInput
      label="Real glass, mm"
      field={fields.realMm}
      value={pane.realMm}
      onSave={(realMm) => onChange({ realMm })}
    />
    <ChoiceSelect label="Tint" values={PANE_TINTS} value={pane.tint} onSave={(tint) => onChange({ tint })} />
    <ChoiceSelect
      label="Round it"
      values={PANE_EDGES}
      words={{ none: 'nothing', rubber: 'rubber', bright: 'bright trim' }}
      value={pane.edge}
      onSave={(edge) => onChange({ edge })}
    />
    {pane.edge !== 'none' && (
      <ChoiceSelect
        label="Its edge is painted"
        values={EDGE_TIMES}
        words={{ before: 'before it is fitted', after: 'once it sits' }}
        value={pane.edgeWhen}
        onSave={(edgeWhen) => onChange({ edgeWhen })}
      />
    )}
    <ChoiceSelect
      label="Goes in from"
      values={PANE_ENTRIES}
      value={pane.enters}
      onSave={(enters) => onChange({ enters })}
    />
    <ChoiceSelect
      label="It is scratched"
      values={PANE_FLAWS}
      words={{ none: 'not at all', hazy: 'hazy', scratched: 'deeply' }}
      value={pane.flaws}
      onSave={(flaws) => onChange({ flaws })}
    />
  </SimpleGrid>
);

/** Its opening on a view, from which masks are cut. */
function PaneMaskFields({ pane, kit, onChange }: Pick<PaneCardProps, 'pane' | 'kit' | 'onChange'>) {
  const openings = kit.views.flatMap((view) =>
    view.openings.map((opening) => ({
      value: `${view.id} ${opening.id}`,
      label: `${view.name}: ${opening.name}`,
      viewId: view.id,
      openingId: opening.id,
    })),
  );
  return (
    <SimpleGrid cols={{ base: 1, sm: 3 }} spacing="xs" verticalSpacing={4}>
      <Select
        size="xs"
        label="Its opening on a view"
        placeholder={openings.length === 0 ? 'no view has one yet' : 'none: no mask'}
        clearable
        data={openings.map(({ value, label }) => ({ value, label }))}
        value={pane.viewId === null ? null : `${pane.viewId} ${pane.openingId}`}
        onChange={(picked) => {
          const opening = openings.find(({ value }) => value === picked);
          onChange({ viewId: opening?.viewId ?? null, openingId: opening?.openingId ?? '' });
        }}
      />
      {pane.viewId !== null && (
        <>
          <FigureInput
            label="Mask larger by, mm"
            field={fields.maskMm}
            value={pane.maskMm}
            onSave={(maskMm) => onChange({ maskMm })}
          />
          <Checkbox
            size="xs"
            mt={22}
            label="Cut and kept"
            checked={pane.maskKept}
            onChange={({ currentTarget: { checked } }) => onChange({ maskKept: checked })}
          />
        </>
      )}
    </SimpleGrid>
  );
}
