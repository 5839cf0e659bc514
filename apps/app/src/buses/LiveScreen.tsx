import type { JobView } from '@keypost/api';
import { ioLinkMasters, portPlan } from '@keypost/core/setting';
import type { JobIndex } from '@keypost/core/job';
import { View } from 'react-native';
import { BusPage } from './BusPage';
import { Notice } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { LivePortRow } from './LivePortRow';
import { LiveUnitRows } from './LiveUnitRows';
import { SERVER_AWAY, useConnection, useLive, useLivePort } from '../data/liveStore';
import type { LiveStore } from '../data/liveStore';
import { PracticeCard } from './PracticeCard';

/** What the devices say at this moment: ports of masters, units of lines. */
export function LiveScreen() {
  return (
    <BusPage title="Live values" back="/buses">
      {(view, index) => <Live view={view} index={index} />}
    </BusPage>
  );
}

function Live({ view, index }: { view: JobView; index: JobIndex }) {
  const store = useLive(view.id);
  const wide = useWide();
  const masters = ioLinkMasters(index).filter(({ link }) => link);
  return (
    <>
      <Connection store={store} />
      <View className={wide ? 'flex-row flex-wrap items-start gap-4' : 'gap-4'}>
        {masters.map((module) => (
          <View key={module.id} className={wide ? 'min-w-[420px] flex-1' : ''}>
            <Card title={module.tag} aside={<Text as="mono">{module.link}</Text>}>
              <MasterAway store={store} moduleId={module.id} link={module.link ?? ''} />
              {portPlan(index, module.id).map((port, i) => (
                <LivePortRow key={port.name} store={store} moduleId={module.id} port={port} first={i === 0} />
              ))}
            </Card>
          </View>
        ))}
        {view.content.plans.map((plan) => (
          <View key={plan.id} className={wide ? 'min-w-[420px] flex-1' : ''}>
            <LiveUnitRows store={store} plan={plan} />
          </View>
        ))}
        <View className={wide ? 'min-w-[420px] flex-1' : ''}>
          <PracticeCard />
        </View>
      </View>
      {masters.length === 0 && view.content.plans.length === 0 && (
        <Card title="Nothing to ask">
          <Row first>
            <Text as="body">Give a master or a line its address first; then its values are shown here.</Text>
          </Row>
        </Card>
      )}
    </>
  );
}

/** That a master does not answer: then none of its ports does. */
function MasterAway({ store, moduleId, link }: { store: LiveStore; moduleId: string; link: string }) {
  if (useLivePort(store, moduleId, 1, true)?.state !== 'no answer') return null;
  return (
    <Row first>
      <Text as="small">
        {`No IO-Link master answers at ${link}. See that it has power, that its cable is in, and that this is its address.`}
      </Text>
    </Row>
  );
}

function Connection({ store }: { store: LiveStore }) {
  const state = useConnection(store);
  if (state === 'open') return null;
  if (state === 'connecting') return <Text as="soft">Connecting …</Text>;
  return <Notice>{`${SERVER_AWAY} No value is shown until it is back.`}</Notice>;
}
