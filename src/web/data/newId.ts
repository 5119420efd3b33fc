/** 128 random bits in hexadecimal. The browser's own maker of such ids is there on safe addresses only, and a bench may
 *  be opened over the network of the house. */
export const randomKey = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join(
    '',
  );

/** A new id that tells whose it is. */
export const newId = (owner: string): string => `${owner}-${randomKey().slice(0, 13)}`;
