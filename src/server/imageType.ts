/** The type of a picture by its first bytes; undefined for what is none. */
export function imageType(bytes: Buffer): string | undefined {
  const starts = (...first: number[]) => first.every((byte, at) => bytes[at] === byte);
  if (starts(0xff, 0xd8, 0xff)) return 'image/jpeg';
  if (starts(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'image/png';
  if (starts(0x47, 0x49, 0x46, 0x38)) return 'image/gif';
  if (starts(0x52, 0x49, 0x46, 0x46) && bytes.toString('latin1', 8, 12) === 'WEBP') return 'image/webp';
  return undefined;
}
