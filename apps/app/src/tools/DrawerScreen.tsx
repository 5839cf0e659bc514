import { textOf } from '@keypost/core/messages';
import { TOOLS } from '@keypost/core/tools';
import type { Tool } from '@keypost/core/tools';
import { View } from 'react-native';
import { Beside } from '../ui/Beside';
import { MoreRow } from '../ui/MoreRow';
import { Card } from '../ui/Card';
import { PageHead, Screen } from '../ui/Screen';

/** The tool drawer: every calculator, without a job. */
export function DrawerScreen() {
  return (
    <Screen pair head={<PageHead title="Tools" over="No job needed" back="/" />}>
      <Beside left={<Some tools={TOOLS.slice(0, HALF)} />} right={<Some tools={TOOLS.slice(HALF)} />} />
    </Screen>
  );
}

const HALF = Math.ceil(TOOLS.length / 2);

function Some({ tools }: { tools: readonly Tool[] }) {
  return (
    <Card>
      <View role="list" aria-label="Tools">
        {tools.map(({ id, name, hint }, i) => (
          <View key={id} role="listitem">
            <MoreRow first={i === 0} to={`/tools/${id}`} label={textOf(name)} hint={textOf(hint)} />
          </View>
        ))}
      </View>
    </Card>
  );
}
