import { SegmentedControl } from '@mantine/core';
import { setBriefSearch, useBriefSearch } from '../../data/briefSearch.ts';

/** What is set for this device alone. */
export function DevicePanel() {
  const brief = useBriefSearch();
  return (
    <div className="panel">
      <h3>On this device</h3>
      <SegmentedControl
        fullWidth
        aria-label="Look for better plans"
        data={[
          { value: 'usual', label: 'best plans' },
          { value: 'brief', label: 'spare the battery' },
        ]}
        value={brief ? 'brief' : 'usual'}
        onChange={(value) => setBriefSearch(value === 'brief')}
      />
      <p className="soft small mt8">
        After every change Fanfare looks for a better plan for some seconds
        {brief
          ? '; this device looks for an eighth of that, and a plan may end an evening later than it need.'
          : '. A phone may look more briefly: plans stay valid, and may end an evening later.'}
      </p>
    </div>
  );
}
