import { schemaRefusal } from '../data/refusalText';
import type { JobView } from '@keypost/api';
import { Link } from '@keypost/core/model';
import type { Change } from '@keypost/core/job';
import { useState } from 'react';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';

/** Where a partner answers, `host:port`; empty where it cannot be spoken to. */
export function LinkField({
  value = '',
  hint,
  change,
  view,
}: {
  value?: string;
  hint: string;
  change: (link: string | null) => Change;
  view: JobView;
}) {
  const saver = useSave(view);
  const [text, setText] = useState(value);
  const trimmed = text.trim();
  const parsed = trimmed === '' ? undefined : Link.safeParse(trimmed);
  const problem = parsed && schemaRefusal(parsed);
  return (
    <View className="gap-3">
      <Field
        label="Address"
        value={text}
        onChange={setText}
        hint={`${hint}, such as 127.0.0.1:4081`}
        problem={problem}
        mono
        maxLength={80}
      />
      <SaveNotice saver={saver} />
      {trimmed !== value && (
        <Button
          label="Store the address"
          kind="main"
          disabled={problem !== undefined}
          waiting={saver.saving}
          onPress={() => void saver.save(change(trimmed === '' ? null : trimmed))}
        />
      )}
    </View>
  );
}
