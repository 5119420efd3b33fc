import { NumberInput, Table } from '@mantine/core';
import { SpokenHead } from '../../components/SpokenHead.tsx';
import type { SettingsRecord } from '../../../api/index.ts';
import {
  FAMILIES,
  settingFor,
  settingKey,
  SETTING_LIMITS,
  type FamilyId,
  type ToolSetting,
} from '../../../core/finish/index.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

interface ToolTableProps {
  preferences: SettingsRecord['preferences'];
  onSave: (preferences: SettingsRecord['preferences'], label: string) => void;
}

/** Families that are sprayed. */
const SPRAYED: readonly FamilyId[] = [
  'water-acrylic',
  'alcohol-acrylic',
  'lacquer',
  'enamel',
  'metal-lacquer',
  'chrome-ink',
  'urethane-2k',
];
const COLUMNS: readonly [keyof ToolSetting, string, number][] = [
  ['thinner', 'Thinner to 1', 0.1],
  ['bar', 'Bar', 0.1],
  ['needleMm', 'Needle, mm', 0.05],
  ['distanceCm', 'Distance, cm', 1],
];

/** How the builder's airbrush is set for each chemistry, mist and wet; what is changed stands in every step. */
export function ToolTable({ preferences, onSave }: ToolTableProps) {
  const own = preferences.tools ?? {};
  return (
    <div className="panel">
      <Table className="plainlist">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Airbrush</Table.Th>
            <Table.Th>Coat</Table.Th>
            {COLUMNS.map(([key, name]) => (
              <Table.Th key={key}>{name}</Table.Th>
            ))}
            <SpokenHead>Back to usual</SpokenHead>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {SPRAYED.flatMap((family) =>
            [true, false].map((mist) => {
              const key = settingKey(family, mist);
              const setting = settingFor(family, mist, own);
              const coat = mist ? 'mist' : 'wet';
              return (
                <Table.Tr key={key}>
                  <Table.Td>{mist ? FAMILIES[family].name : ''}</Table.Td>
                  <Table.Td>{coat}</Table.Td>
                  {COLUMNS.map(([column, name, step]) => (
                    <Table.Td key={column}>
                      <NumberInput
                        size="xs"
                        w={84}
                        aria-label={`${name}, ${FAMILIES[family].name}, ${coat}`}
                        value={setting[column]}
                        step={step}
                        min={SETTING_LIMITS[column][0]}
                        max={SETTING_LIMITS[column][1]}
                        clampBehavior="strict"
                        onChange={(value) => {
                          const [least, most] = SETTING_LIMITS[column];
                          if (typeof value !== 'number' || value < least || value > most) return;
                          onSave(
                            { ...preferences, tools: { ...own, [key]: { ...setting, [column]: value } } },
                            `${coat} coats of ${FAMILIES[family].name}`,
                          );
                        }}
                      />
                    </Table.Td>
                  ))}
                  <Table.Td>
                    {own[key] && (
                      <RemoveButton
                        name={`Usual settings for ${coat} coats of ${FAMILIES[family].name}`}
                        onRemove={() => {
                          const { [key]: _gone, ...tools } = own;
                          onSave({ ...preferences, tools }, `usual settings for ${FAMILIES[family].name}`);
                        }}
                      />
                    )}
                  </Table.Td>
                </Table.Tr>
              );
            }),
          )}
        </Table.Tbody>
      </Table>
      <p className="soft small mt8">
        Usual settings to begin with; yours replace them in every step and in the quantities. The cross takes
        the usual ones back.
      </p>
    </div>
  );
}
