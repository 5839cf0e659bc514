import type { JobView } from '@keypost/api';
import type { Supply } from '@keypost/core/model';
import { hangingOn, ledBehind } from '@keypost/core/planning';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { SaveNotice } from '../data/SaveNotice';
import { useIndex } from '../data/useIndex';
import { useSave } from '../data/useSave';
import { Button } from '../ui/Button';
import { Row } from '../ui/Card';
import { OptionTile } from '../ui/OptionTile';
import { Text } from '../ui/Text';

/** Puts what hangs on the supply before a branch behind that branch. */
export function BehindRow({ view, branch }: { view: JobView; branch: Supply }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Row className="gap-3">
      {isOpen ? (
        <Choosing view={view} branch={branch} onDone={() => setOpen(false)} />
      ) : (
        <Button label={`Put something behind ${branch.tag}`} onPress={() => setOpen(true)} />
      )}
    </Row>
  );
}

function Choosing({ view, branch, onDone }: { view: JobView; branch: Supply; onDone: () => void }) {
  const index = useIndex(view);
  const saver = useSave(view);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const from = view.content.supplies.find(({ id }) => id === branch.feed?.from);
  const items = useMemo(() => (index && from ? hangingOn(index, from) : []), [index, from]);
  if (!from) return null;
  const changes = ledBehind(view.content, from.id, branch.id, chosen);
  const toggle = (item: string): void =>
    setChosen(chosen.includes(item) ? chosen.filter((one) => one !== item) : [...chosen, item]);
  return (
    <>
      <Text as="soft">
        {items.length
          ? `What hangs on ${from.tag}, and is to hang on ${branch.tag}. Both of its wires are led over.`
          : `Nothing hangs on ${from.tag} itself.`}
      </Text>
      <View className="flex-row flex-wrap gap-2">
        {items.map(({ item, tag }) => (
          <OptionTile key={item} label={tag} isOn={chosen.includes(item)} onPress={() => toggle(item)} />
        ))}
      </View>
      <SaveNotice saver={saver} />
      <View className="flex-row gap-3">
        <Button
          label={`Lead ${changes.length} wires over`}
          kind="main"
          disabled={changes.length === 0}
          waiting={saver.saving}
          onPress={() => void saver.save({ kind: 'batch', changes }, { then: onDone })}
        />
        <Button label="Cancel" onPress={onDone} />
      </View>
    </>
  );
}
