import { ActionIcon, Menu } from '@mantine/core';
import { IconMenu2 } from '@tabler/icons-react';
import { Link } from 'react-router';
import { ELSEWHERE } from './elsewhere.ts';

/** Where a page is too narrow for all ways side by side. */
export function NarrowMenu({ onPalette }: { onPalette: () => void }) {
  return (
    <div className="narrow">
      <Menu position="bottom-end">
        <Menu.Target>
          <ActionIcon variant="transparent" color="gray.3" aria-label="Everywhere else" size={32}>
            <IconMenu2 size={20} />
          </ActionIcon>
        </Menu.Target>
        <Menu.Dropdown>
          {[{ to: '/', name: 'Builds' }, { to: '/tonight', name: 'Tonight' }, ...ELSEWHERE].map(
            ({ to, name }) => (
              <Menu.Item key={to} component={Link} to={to}>
                {name}
              </Menu.Item>
            ),
          )}
          <Menu.Divider />
          <Menu.Item onClick={onPalette}>Find anything</Menu.Item>
        </Menu.Dropdown>
      </Menu>
    </div>
  );
}
