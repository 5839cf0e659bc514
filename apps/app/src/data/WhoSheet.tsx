import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { Text } from '../ui/Text';
import { changeSettings } from './settings';

/** Asks for the initials that stamps and results will carry. */
export function WhoSheet({ tell }: { tell: (by: string | undefined) => void }) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const keep = () => {
    const by = text.trim().slice(0, 40);
    if (by === '') return setProblem('Enter your initials, such as MR.');
    changeSettings({ by });
    tell(by);
  };
  return (
    <Sheet title="Who works here?" onClose={() => tell(undefined)}>
      <Text as="body">
        What is done, set, proven or changed is kept with who did it. Asked once; you find it under Job, This
        device.
      </Text>
      <Field
        label="Your initials"
        value={text}
        onChange={setText}
        problem={problem}
        maxLength={40}
        autoFocus
        autoCapitalize="characters"
        onSubmitEditing={keep}
      />
      <View className="flex-row gap-3">
        <Button label="Keep and go on" kind="main" onPress={keep} grow />
        <Button label="Not now" onPress={() => tell(undefined)} />
      </View>
    </Sheet>
  );
}
