/** Choices of a record as a select shows them. */
export const worded = <T extends string>(values: readonly T[], words: Readonly<Record<T, string>>) =>
  values.map((value) => ({ value, label: words[value] }));

/** A label as it begins a line. */
export const capital = (label: string): string => label.replace(/^./, (first) => first.toUpperCase());
