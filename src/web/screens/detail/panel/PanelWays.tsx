import { Radio, Stack, VisuallyHidden } from '@mantine/core';
import { PANEL_ROUTE_FACTS, type PanelRoute, type ScoredPanelRoute } from '../../../../core/cabin/index.ts';
import { figure } from '../../../../core/figures.ts';
import type { InstrumentPanel } from '../../../../core/kit/index.ts';

interface PanelWaysProps {
  panel: InstrumentPanel;
  routes: readonly ScoredPanelRoute[];
  seen: number | undefined;
  onChange: (part: Partial<InstrumentPanel>) => void;
}

/** The ways to a panel, best first, each with its minutes, what it needs and what it risks; one is taken. */
export const PanelWays = ({ panel, routes, seen, onChange }: PanelWaysProps) => (
  <div className="panel">
    <h3>Ways to {panel.name.toLowerCase()}</h3>
    <Radio.Group
      label={<VisuallyHidden>Way to {panel.name.toLowerCase()}</VisuallyHidden>}
      value={panel.route ?? ''}
      onChange={(route) => onChange({ route: route as PanelRoute })}
    >
      <Stack gap={6} mt={6}>
        {routes.map(({ id, minutes, not }, at) => {
          const { name, needs, risk } = PANEL_ROUTE_FACTS[id];
          return (
            <Radio
              key={id}
              size="xs"
              value={id}
              disabled={not !== undefined && panel.route !== id}
              label={
                <>
                  <b>{name}</b>
                  {at === 0 && not === undefined ? ', the best here' : ''}
                  <span className="soft small block">
                    {not === undefined
                      ? `${Math.round(minutes)} min; ${needs.join(', ')}; ${risk}`
                      : `not here: ${not.replace(/\.$/, '')}`}
                  </span>
                </>
              }
            />
          );
        })}
      </Stack>
    </Radio.Group>
    <p className="soft small mt8">
      {seen === undefined
        ? 'How much of it is seen is not known; half is taken.'
        : `${figure(100 * seen, '%')} of it can be seen, and looks count by that.`}{' '}
      {panel.route === null ? 'None is taken yet, so the plan leaves it out.' : ''}
    </p>
  </div>
);
