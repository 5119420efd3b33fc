import { bare, figure } from '../../../core/figures.ts';
import { NumberInput, Select, Table, UnstyledButton } from '@mantine/core';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import { IconArrowDown, IconArrowUp, IconTrash } from '@tabler/icons-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { PaintRecord, TrayRecord } from '../../../api/index.ts';
import {
  formatMinutes,
  GENERIC_PRODUCTS,
  LAYER_KINDS,
  type LayerKind,
  type Stack,
  type StackEvaluation,
  type Tool,
} from '../../../core/finish/index.ts';
import { targetLayer, type PlannedLayer } from '../../../core/kit/index.ts';
import { OnColour, onFinish } from './OnColour.tsx';
import { TOOL_WORDS } from './layerNames.ts';

interface LayerTableProps {
  tray: TrayRecord;
  stack: Stack;
  evaluation: StackEvaluation | undefined;
  paints: readonly PaintRecord[];
  /** Finishes of the kit, for a body in several colours. */
  finishNames: Readonly<Record<string, string>>;
  marked: string | undefined;
  onMark: (id: string) => void;
  onSave: (layers: PlannedLayer[], label: string) => void;
}

/** The layers, topmost first as they lie, with their paint, coats and tool to change. */
export function LayerTable(props: LayerTableProps) {
  const { tray, stack, evaluation, paints, finishNames, marked, onMark, onSave } = props;
  const { layers } = tray;
  const change = (id: string, patch: Partial<PlannedLayer>, label: string) =>
    onSave(
      layers.map((layer) => (layer.id === id ? { ...layer, ...patch } : layer)),
      label,
    );
  const move = (index: number, by: number) => {
    const next = [...layers];
    const [layer] = next.splice(index, 1);
    next.splice(index + by, 0, layer!);
    onSave(next, `move ${LAYER_KINDS[layer!.kind].name.toLowerCase()} of ${tray.name}`);
  };
  const add = (kind: LayerKind) => {
    const taken = new Set(layers.map(({ id }) => id));
    let id: string = kind;
    for (let count = 2; taken.has(id); count++) id = `${kind}-${count}`;
    const generic = GENERIC_PRODUCTS.find(({ role }) => role === kind);
    const layer: PlannedLayer = {
      id,
      kind,
      coats: LAYER_KINDS[kind].coats,
      tool: LAYER_KINDS[kind].tool,
      ...(generic ? { mix: { [generic.id]: 1 } } : {}),
    };
    onSave([...layers, layer], `${LAYER_KINDS[kind].name.toLowerCase()} on ${tray.name}`);
    onMark(id);
  };
  return (
    <div className="panel">
      <Table className="plainlist">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Top first</Table.Th>
            <Table.Th>Paint</Table.Th>
            <Table.Th className="num">Coats</Table.Th>
            <Table.Th>With</Table.Th>
            <Table.Th className="num">Wait</Table.Th>
            <Table.Th className="num">µm</Table.Th>
            <SpokenHead>Order</SpokenHead>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {layers
            .map((layer, index) => ({ layer, index }))
            .reverse()
            .map(({ layer, index }) => {
              const result = evaluation?.layers[index];
              const wait = result?.wait;
              const painted = LAYER_KINDS[layer.kind].painted;
              return (
                <Table.Tr
                  key={layer.id}
                  style={layer.id === marked ? { background: 'var(--runner)' } : undefined}
                  onFocus={() => onMark(layer.id)}
                >
                  <Table.Td className="nowrap">
                    {LAYER_KINDS[layer.kind].name}
                    <OnColour
                      layer={layer}
                      finishNames={finishNames}
                      isOpen={layer.id === marked}
                      onChange={(finishId) =>
                        onSave(
                          layers.map((each) => (each === layer ? onFinish(each, finishId) : each)),
                          `colour of a layer of ${tray.name}`,
                        )
                      }
                    />
                  </Table.Td>
                  <Table.Td style={{ minWidth: 170 }}>
                    {painted ? (
                      <ProductSelect
                        tray={tray}
                        layer={layer}
                        name={stack.layers[index]?.product?.name}
                        paints={paints}
                        onChange={(mix) =>
                          change(
                            layer.id,
                            { mix },
                            `${LAYER_KINDS[layer.kind].name.toLowerCase()} of ${tray.name}`,
                          )
                        }
                      />
                    ) : (
                      <span className="soft">no paint</span>
                    )}
                  </Table.Td>
                  <Table.Td className="num">
                    {painted ? (
                      <NumberInput
                        aria-label={`Coats of ${LAYER_KINDS[layer.kind].name}`}
                        value={layer.coats}
                        min={1}
                        max={30}
                        allowDecimal={false}
                        clampBehavior="strict"
                        w={62}
                        size="xs"
                        onChange={(value) =>
                          typeof value === 'number' &&
                          value >= 1 &&
                          change(
                            layer.id,
                            {
                              coats: value,
                              ...(layer.mistCoats ? { mistCoats: Math.min(layer.mistCoats, value) } : {}),
                            },
                            `coats of ${tray.name}`,
                          )
                        }
                      />
                    ) : null}
                  </Table.Td>
                  <Table.Td>
                    {painted ? (
                      <Select
                        aria-label={`Tool for ${LAYER_KINDS[layer.kind].name}`}
                        size="xs"
                        w={104}
                        data={(['airbrush', 'can', 'brush', 'marker', 'sponge', 'hand'] as Tool[]).map(
                          (tool) => ({
                            value: tool,
                            label: TOOL_WORDS[tool],
                          }),
                        )}
                        value={layer.tool}
                        onChange={(tool) => tool && change(layer.id, { tool: tool }, `tool of ${tray.name}`)}
                      />
                    ) : (
                      <span className="soft">by hand</span>
                    )}
                  </Table.Td>
                  <Table.Td className="num mono nowrap" title={wait?.because}>
                    {wait && wait.from > 0
                      ? `${formatMinutes(wait.from)}${wait.until === null ? '' : ` – ${formatMinutes(wait.until)}`}`
                      : '–'}
                  </Table.Td>
                  <Table.Td
                    className="num mono"
                    title={
                      result
                        ? `${bare(result.film.low, 'µm')} to ${figure(result.film.high, 'µm')}`
                        : undefined
                    }
                  >
                    {result ? Math.round(result.film.usual) : '?'}
                  </Table.Td>
                  <Table.Td className="nowrap">
                    <UnstyledButton
                      className="plain"
                      aria-label={`Move ${LAYER_KINDS[layer.kind].name} up`}
                      disabled={index === layers.length - 1}
                      onClick={() => move(index, 1)}
                    >
                      <IconArrowUp size={15} />
                    </UnstyledButton>
                    <UnstyledButton
                      className="plain"
                      aria-label={`Move ${LAYER_KINDS[layer.kind].name} down`}
                      disabled={index === 0}
                      onClick={() => move(index, -1)}
                    >
                      <IconArrowDown size={15} />
                    </UnstyledButton>
                    <UnstyledButton
                      className="plain"
                      aria-label={`Remove ${LAYER_KINDS[layer.kind].name}`}
                      onClick={() =>
                        onSave(
                          layers.filter(({ id }) => id !== layer.id),
                          `remove ${LAYER_KINDS[layer.kind].name.toLowerCase()} of ${tray.name}`,
                        )
                      }
                    >
                      <IconTrash size={15} />
                    </UnstyledButton>
                  </Table.Td>
                </Table.Tr>
              );
            })}
        </Table.Tbody>
      </Table>
      <div className="chips mt10 middle" role="group" aria-label="Add a layer on top">
        <span className="soft small">Add on top:</span>
        {(Object.keys(LAYER_KINDS) as LayerKind[]).map((kind) => (
          <UnstyledButton key={kind} className="chip" onClick={() => add(kind)}>
            {LAYER_KINDS[kind].name.toLowerCase()}
          </UnstyledButton>
        ))}
      </div>
      <p className="soft small mt8">
        Film and times are the family’s usual figures at the bench’s air; the label on the bottle wins.
      </p>
    </div>
  );
}

const ROLES: Partial<Record<LayerKind, readonly PaintRecord['role'][]>> = {
  primer: ['primer'],
  undercoat: ['undercoat', 'primer', 'colour', 'metal'],
  colour: ['colour', 'metal'],
  metal: ['metal'],
  clear: ['clear'],
  'dry-brush': ['colour', 'metal'],
};

/** Whether a paint of the catalogue can be laid as a kind of layer. */
function suits(kind: LayerKind, { role, hiding, family }: PaintRecord): boolean {
  switch (kind) {
    case 'tint':
    case 'stain':
      return role === 'colour' && hiding === 'transparent';
    case 'wash':
      return family === 'oil-wash';
    case 'powder':
      return family === 'powder';
    case 'flock':
      return family === 'fibre';
    case 'foil':
      return family === 'foil';
    default:
      return ROLES[kind]?.includes(role) ?? false;
  }
}

interface ProductSelectProps {
  tray: TrayRecord;
  layer: PlannedLayer;
  name: string | undefined;
  paints: readonly PaintRecord[];
  onChange: (mix: Record<string, number>) => void;
}

/** Paints that suit a layer: its kind's products on the shelf first, then the plain ones and the rest. */
function ProductSelect({ tray, layer, name, paints, onChange }: ProductSelectProps) {
  const value = layer.mix ? JSON.stringify(layer.mix) : '';
  // Thousands of paints for every layer: what there is to choose from is put together once it is asked for.
  const [isOffered, setOffered] = useState(false);
  const data = useMemo(() => {
    const option = ({ id, name: label, range }: PaintRecord) => ({
      value: JSON.stringify({ [id]: 1 }),
      label: `${label} (${range} ${id.split('-')[1] ?? ''})`,
    });
    if (!isOffered) {
      const [only, ...more] = Object.keys(layer.mix ?? {});
      const own = more.length === 0 ? paints.find(({ id }) => id === only) : undefined;
      return value === '' ? [] : [own ? option(own) : { value, label: name ?? value }];
    }
    const fitting = paints.filter((paint) => suits(layer.kind, paint));
    const plain = GENERIC_PRODUCTS.filter(({ role }) => role === layer.kind).map(({ id, name: label }) => ({
      value: JSON.stringify({ [id]: 1 }),
      label: `${label} (plain)`,
    }));
    const groups = [
      { group: 'On the shelf', items: fitting.filter(({ levelMl }) => levelMl !== null).map(option) },
      { group: 'Plain products', items: plain },
      { group: 'To buy', items: fitting.filter(({ levelMl }) => levelMl === null).map(option) },
    ].filter(({ items }) => items.length > 0);
    const known = groups.some(({ items }) => items.some((item) => item.value === value));
    return value !== '' && !known
      ? [{ group: 'In use', items: [{ value, label: name ?? value }] }, ...groups]
      : groups;
  }, [isOffered, paints, layer.kind, layer.mix, value, name]);
  // The Colour stage is about the last colour; the others are chosen here.
  if (layer.kind === 'colour' && !layer.mix && layer === targetLayer(tray.layers)) {
    return <Link to={`/build/${tray.buildId}/colour/${tray.id}`}>choose in the Colour stage</Link>;
  }
  return (
    <Select
      aria-label={`Paint of ${LAYER_KINDS[layer.kind].name}`}
      size="xs"
      searchable
      limit={80}
      onFocus={() => setOffered(true)}
      data={data}
      value={value === '' ? null : value}
      placeholder={name ?? 'choose'}
      onChange={(next) => next && onChange(JSON.parse(next) as Record<string, number>)}
    />
  );
}
