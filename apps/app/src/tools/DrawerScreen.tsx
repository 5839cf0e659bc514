import { textOf } from '@keypost/core/messages';
import { TOOLS } from '@keypost/core/tools';
import { View } from 'react-native';
import { MoreRow } from '../ui/MoreRow';
import { Card } from '../ui/Card';
import { PageHead, Screen } from '../ui/Screen';

/** The tool drawer: every calculator, without a job. */
export function DrawerScreen() {
  return (
    <Screen narrow head={<PageHead title="Tools" over="No job needed" back="/" />}>
      <Card>
        <View role="list" aria-label="Tools">
          {TOOLS.map(({ id, name, hint }, i) => (
            <View key={id} role="listitem">
              <MoreRow first={i === 0} to={`/tools/${id}`} label={textOf(name)} hint={textOf(hint)} />
            </View>
          ))}
        </View>
      </Card>
    </Screen>
  );
}
