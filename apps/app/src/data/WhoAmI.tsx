import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { changeSettings, useSettings } from './settings';

/** Asks for the initials that stamps and results will carry. Shown in place of whatever needs them. */
export function WhoAmI() {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const keep = () => {
    if (text.trim() === '') setProblem('Enter your initials, such as MR.');
    else changeSettings({ by: text.trim().slice(0, 40) });
  };
  return (
    <View className="gap-3 rounded-plate border-fine border-accent bg-wash p-4">
      <Field
        label="Your initials"
        hint="Every stamp and result carries them."
        value={text}
        onChange={setText}
        problem={problem}
        maxLength={40}
        onSubmitEditing={keep}
      />
      <Button label="Keep" kind="main" onPress={keep} />
    </View>
  );
}

/** Whether this device knows who works on it. */
export function useKnown(): boolean {
  return useSettings().by !== '';
}
