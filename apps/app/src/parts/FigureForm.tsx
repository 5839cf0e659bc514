import { codeOf, textOf } from '@keypost/core/messages';
import { useFormDraft } from '../data/drafts';
import { DraftNotice } from '../data/DraftNotice';
import { schemaResolver } from '../ui/schemaResolver';
import { tellingUnit } from '@keypost/core/catalog';
import type { Figure } from '@keypost/core/catalog';
import { OwnFigure } from '@keypost/core/model';
import { plain } from '@keypost/core/units';
import { parseTyped } from '../ui/typedNumbers';
import type { ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import type { Control } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import { FormField } from '../ui/FormField';

/** A number with or without its unit, or nothing, as text. */
const amount = (unit: string) =>
  z.string().transform((text, context) => {
    if (text.trim() === '') return undefined;
    const parsed = parseTyped(text, unit);
    if (parsed.ok) return parsed.value;
    context.addIssue({ code: 'custom', message: textOf(parsed.problem) });
    return z.NEVER;
  });

const formOf = (unit: string) =>
  z
    .object({
      min: amount(unit),
      nominal: amount(unit),
      max: amount(unit),
      from: OwnFigure.shape.from,
    })
    .superRefine(({ min, nominal, max }, context) => {
      const given = [min, nominal, max].filter((value) => value !== undefined);
      if (!given.length)
        context.addIssue({
          code: 'custom',
          path: ['nominal'],
          message: codeOf('model.enter-minimum-nominal-value'),
        });
      if (given.some((value, i) => i > 0 && value < (given[i - 1] ?? value)))
        context.addIssue({
          code: 'custom',
          path: ['max'],
          message: codeOf('model.minimum-over-nominal-maximum'),
        });
    });

type FormControl = Control<z.input<ReturnType<typeof formOf>>, unknown, z.output<ReturnType<typeof formOf>>>;

/** What was entered of a figure, in the unit in which it is told. */
export interface EnteredFigure {
  readonly min?: number;
  readonly nominal?: number;
  readonly max?: number;
  readonly unit: string;
  readonly from: string;
}

/** Those of the three that were given. */
const given = (three: Record<'min' | 'nominal' | 'max', number | undefined>) =>
  Object.fromEntries(Object.entries(three).filter(([, value]) => value !== undefined));

const THREE = [
  ['min', 'Minimum'],
  ['nominal', 'Usual'],
  ['max', 'Maximum'],
] as const;

/** Asks for a figure as a datasheet gives it, and from which paper it is. */
export function FigureForm({
  typical,
  own,
  name,
  refused,
  foot,
  onFigure,
}: {
  typical: Figure;
  /** Of its draft: the part and the figure. */
  name: string;
  /** What was entered before, in the figure's own unit. */
  own?: EnteredFigure;
  /** Why the server refused one of the fields. */
  refused?: (field: string) => string | undefined;
  foot: (store: () => void) => ReactNode;
  onFigure: (figure: EnteredFigure) => void;
}) {
  const unit = tellingUnit(typical);
  const text = (value: number | undefined): string =>
    value === undefined ? '' : plain(unit === 'mA' ? value * 1000 : value);
  const form = useForm({
    resolver: schemaResolver(formOf(unit)),
    defaultValues: {
      min: text(own?.min),
      nominal: text(own?.nominal),
      max: text(own?.max),
      from: own?.from ?? 'datasheet',
    },
  });
  const { control, handleSubmit } = form;
  const draft = useFormDraft(form, name);
  const store = handleSubmit(({ from, min, nominal, max }) =>
    onFigure({ ...given({ min, nominal, max }), unit, from }),
  );
  return (
    <View className="gap-4">
      <DraftNotice draft={draft} />
      <ThreeFields control={control} unit={unit} refused={refused} />
      <FormField
        control={control}
        name="from"
        label="Where it stands"
        hint="Such as datasheet, page 3, or name-plate"
        maxLength={80}
      />
      {foot(() => void store())}
    </View>
  );
}

function ThreeFields({
  control,
  unit,
  refused,
}: {
  control: FormControl;
  unit: string;
  refused?: (field: string) => string | undefined;
}) {
  return (
    <View className="flex-row flex-wrap gap-3">
      {THREE.map(([name, label]) => (
        <View key={name} className="min-w-[92px] flex-1">
          <FormField
            control={control}
            name={name}
            label={label}
            mono
            inputMode="decimal"
            unit={unit}
            refused={refused?.(name)}
          />
        </View>
      ))}
    </View>
  );
}
