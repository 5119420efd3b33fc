/** A new id that tells whose it is. */
export const newId = (owner: string): string => `${owner}-${crypto.randomUUID().slice(0, 13)}`;
