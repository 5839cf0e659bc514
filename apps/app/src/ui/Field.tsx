import { useId } from 'react';
import { TextInput, View } from 'react-native';
import type { TextInputProps } from 'react-native';
import { useTokens } from './theme';
import { Text } from './Text';

/** A text or number to type, with its unit beside it and what is wrong with it below. */
export function Field({
  label,
  value,
  onChange,
  problem,
  hint,
  unit,
  mono = false,
  bare = false,
  ...rest
}: Omit<TextInputProps, 'onChange' | 'value'> & {
  label: string;
  value: string;
  onChange: (value: string) => void;
  problem?: string;
  hint?: string;
  unit?: string;
  mono?: boolean;
  /** The label is only read aloud, since it stands nearby already. */
  bare?: boolean;
}) {
  const id = useId();
  const { soft, ink } = useTokens();
  return (
    <View className="gap-1.5">
      {!bare && <Text as="strong">{label}</Text>}
      <View
        className={`with-unit min-h-[48px] flex-row items-center rounded-plate border-fine bg-plate ${problem ? 'border-fail' : 'border-rim'}`}
      >
        <TextInput
          {...rest}
          id={id}
          aria-label={label}
          aria-invalid={problem !== undefined}
          aria-describedby={problem ? `${id}-problem` : hint ? `${id}-hint` : undefined}
          {...(rest.onSubmitEditing && { dataSet: { ownEnter: '' } })}
          value={value}
          onChangeText={onChange}
          placeholderTextColor={soft}
          style={{ color: ink }}
          autoCorrect={false}
          className={`min-h-[48px] min-w-0 flex-1 px-4 text-[1.125rem] text-ink ${mono ? 'font-figurebold' : 'font-word'}`}
        />
        {unit !== undefined && unit !== '' && (
          <Text as="mono" className="pr-4">
            {unit}
          </Text>
        )}
      </View>
      <Below id={id} problem={problem} hint={hint} />
    </View>
  );
}

/** What is wrong with a field, else what may help to fill it. */
function Below({ id, problem, hint }: { id: string; problem?: string; hint?: string }) {
  if (problem)
    return (
      <Text as="fail" role="alert" nativeID={`${id}-problem`}>
        {problem}
      </Text>
    );
  return hint ? (
    <Text as="small" nativeID={`${id}-hint`}>
      {hint}
    </Text>
  ) : null;
}
