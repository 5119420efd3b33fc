import { TextInput } from '@mantine/core';
import { codeInput } from '../../api/index.ts';
import type { InputProps } from './form/useCheckedForm.tsx';
import { schemaTextLimits } from './limits.ts';

/** What is asked where one of the two is left empty: a code without them could not be found again. */
export const ASK_MAKER_AND_CODE = {
  maker: 'Give the maker, so that you find it again.',
  code: 'Give the code, so that you find it again.',
} as const;

/** What a factory code is called by, side by side. */
export function MakerAndCode({ maker, code }: { maker: InputProps; code: InputProps }) {
  return (
    <div className="stacked two-columns g8">
      <TextInput label="Maker" {...schemaTextLimits(codeInput, 'maker')} {...maker} />
      <TextInput label="Code" {...schemaTextLimits(codeInput, 'code')} {...code} />
    </div>
  );
}
