import type { RealType } from '@keypost/core/switching';
import { RadioGroup } from '../ui/RadioGroup';

/** In which type the code reckons. */
export function RealTypes({ value, onChange }: { value: RealType; onChange: (type: RealType) => void }) {
  return (
    <RadioGroup
      label="Numbers"
      value={value}
      onChange={onChange}
      options={[
        { value: 'REAL', label: 'REAL', hint: 'single precision' },
        { value: 'LREAL', label: 'LREAL', hint: 'double precision' },
      ]}
    />
  );
}
