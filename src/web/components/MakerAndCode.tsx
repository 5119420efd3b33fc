import { TextInput } from '@mantine/core';

interface MakerAndCodeProps {
  maker: string;
  code: string;
  onMaker: (maker: string) => void;
  onCode: (code: string) => void;
}

/** What a factory code is called by, side by side. */
export function MakerAndCode({ maker, code, onMaker, onCode }: MakerAndCodeProps) {
  return (
    <div className="stacked two-columns g8">
      <TextInput
        label="Maker"
        value={maker}
        maxLength={120}
        onChange={(event) => onMaker(event.currentTarget.value)}
      />
      <TextInput
        label="Code"
        value={code}
        maxLength={40}
        onChange={(event) => onCode(event.currentTarget.value)}
      />
    </div>
  );
}

/** Throws RangeError where a code could not be found again. */
export function requireMakerAndCode(maker: string, code: string): void {
  if (maker.trim() === '' || code.trim() === '')
    throw new RangeError('Give the maker and the code, so that you find it again.');
}
