import { Table, VisuallyHidden } from '@mantine/core';

/** The head of a column whose cells speak for themselves: read out, not shown. */
export const SpokenHead = ({ children }: { children: string }) => (
  <Table.Th>
    <VisuallyHidden>{children}</VisuallyHidden>
  </Table.Th>
);
