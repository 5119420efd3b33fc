import useSWR, { mutate, type SWRConfiguration } from 'swr';

/** What this tab has fetched, by path: the one place that knows what keeps it. Changes of it are of this tab's copy
 *  alone; what is written goes by `saving.ts`. */

/** What is cached of a path, fetched where it is not; nothing is asked while the path is null. What was there stays in
 *  sight while it is fetched again. */
export const useCached = <T>(
  path: string | null,
  fetch: (path: string) => Promise<T>,
  options: SWRConfiguration<T, Error> = {},
) => useSWR<T, Error>(path, fetch, { keepPreviousData: true, ...options });

/** What is cached of a path, without asking the server; undefined where nothing is. */
export const cachedNow = <T>(path: string): Promise<T | undefined> =>
  mutate<T>(path, (known) => known, { revalidate: false });

/** Changes what is cached of a path, where anything is. */
export const changeCached = <T>(path: string, change: (known: T) => T): void =>
  void mutate<T>(path, (known) => known && change(known), { revalidate: false });

/** Puts what the server answered in the place of what is cached. */
export const putCached = (path: string, value: object): Promise<unknown> =>
  mutate(path, value, { revalidate: false });

/** Fetches a path again where it is shown. */
export async function refetch(path: string): Promise<void> {
  await mutate(path);
}

export async function refetchAll(): Promise<void> {
  await mutate(() => true);
}
