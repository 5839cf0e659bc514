import { numbering, PANEL } from '@keypost/core/job';
import type { JobIndex } from '@keypost/core/job';
import { Wire } from '@keypost/core/model';
import { View } from 'react-native';
import { z } from 'zod';
import { schemaRefusal } from '../data/refusalText';
import { Field } from '../ui/Field';
import { numeric } from '../ui/numeric';
import { section } from '../ui/section';

/** What is asked of a new wire besides its ends, as it is typed. */
export const SizeTexts = z.object({ number: z.string(), lengthM: z.string(), mm2: z.string() });
export type SizeTexts = z.infer<typeof SizeTexts>;

const FIELDS = {
  number: Wire.shape.number,
  lengthM: numeric(Wire.shape.lengthM, 'm'),
  mm2: section(Wire.shape.mm2, '0.75 or AWG 18'),
};
const Size = z.object(FIELDS);

/** The next free number, and a panel wire. */
export const usualSize = (index: JobIndex): SizeTexts => ({
  number: numbering(index.job)(),
  lengthM: String(PANEL.lengthM),
  mm2: String(PANEL.mm2),
});

/** Number, length and section of a wire; nothing while one of them is wrong. */
export const readSize = (texts: SizeTexts): Pick<Wire, 'number' | 'lengthM' | 'mm2'> | undefined =>
  Size.safeParse(texts).data;

/** The fields for them side by side, what is wrong with one below it. */
export function WireSizeFields({
  texts,
  onChange,
}: {
  texts: SizeTexts;
  onChange: (texts: SizeTexts) => void;
}) {
  const field = (name: keyof SizeTexts, label: string, unit?: string) => (
    <View className="min-w-0 flex-1">
      <Field
        label={label}
        value={texts[name]}
        onChange={(text) => onChange({ ...texts, [name]: text })}
        unit={unit}
        problem={schemaRefusal(FIELDS[name].safeParse(texts[name]))}
        mono
      />
    </View>
  );
  return (
    <View className="flex-row gap-3">
      {field('number', 'Number')}
      {field('lengthM', 'Length', 'm')}
      {field('mm2', 'mm² or AWG')}
    </View>
  );
}
