import type { JobView } from '@keypost/api';
import {
  ioLinkMasters,
  lineOf,
  networkFaults,
  planAsSet,
  portPlan,
  serialFaults,
} from '@keypost/core/setting';
import type { BusPlan } from '@keypost/core/model';
import type { JobIndex } from '@keypost/core/job';
import { useState } from 'react';
import { View } from 'react-native';
import { MoreRow } from '../ui/MoreRow';
import { Card, Row } from '../ui/Card';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { BusPage } from './BusPage';
import { DescriptionFiles } from './DescriptionFiles';
import { NewPlan } from './NewPlan';
import { Button } from '../ui/Button';

/** Everything that talks: IO-Link masters, serial lines, networks, description files. */
export function BusesScreen() {
  return (
    <BusPage title="Buses" back="/panel">
      {(view, index) => <Buses view={view} index={index} />}
    </BusPage>
  );
}

function faultsOf(index: JobIndex, plan: BusPlan): number {
  return plan.kind === 'serial'
    ? serialFaults(lineOf(planAsSet(index, plan))).length
    : networkFaults(plan).length;
}

function Buses({ view, index }: { view: JobView; index: JobIndex }) {
  const wide = useWide();
  return (
    <View className={wide ? 'flex-row items-start gap-4' : 'gap-4'}>
      <View className={wide ? 'flex-1 gap-4' : 'gap-4'}>
        <Card title="Live">
          <MoreRow
            first
            to={`/job/${view.id}/live`}
            label="Live values"
            hint="what the devices say at this moment"
          />
        </Card>
        <Masters view={view} index={index} />
        <Plans view={view} index={index} />
      </View>
      <View className={wide ? 'flex-1' : ''}>
        <DescriptionFiles view={view} />
      </View>
    </View>
  );
}

function Masters({ view, index }: { view: JobView; index: JobIndex }) {
  const masters = ioLinkMasters(index);
  return (
    <Card title="IO-Link masters">
      {masters.length === 0 && (
        <Row first>
          <Text as="small">No master in the panel. Add one there first.</Text>
        </Row>
      )}
      {masters.map((module, i) => {
        const ports = portPlan(index, module.id);
        const bad = ports.filter(({ problem }) => problem).length;
        const used = `${ports.filter(({ device }) => device).length} of ${ports.length} ports in use`;
        return (
          <MoreRow
            key={module.id}
            first={i === 0}
            to={`/job/${view.id}/ports/${module.id}`}
            label={`${module.tag}: port plan`}
            hint={bad ? `${used}, ${bad} without a description` : used}
            loud={bad > 0}
          />
        );
      })}
    </Card>
  );
}

function Plans({ view, index }: { view: JobView; index: JobIndex }) {
  const [adding, setAdding] = useState(false);
  const { plans } = view.content;
  return (
    <Card title="Lines and networks">
      {plans.map((plan, i) => {
        const faults = faultsOf(index, plan);
        const what =
          plan.kind === 'serial'
            ? `serial line, ${plan.units.length} on it`
            : `network, ${plan.members.length} in it`;
        return (
          <MoreRow
            key={plan.id}
            first={i === 0}
            to={`/job/${view.id}/plan/${plan.id}`}
            label={plan.tag}
            hint={`${what}, ${faults ? `${faults} to mend` : 'nothing to mend'}`}
            loud={faults > 0}
          />
        );
      })}
      <Row first={plans.length === 0} className="gap-3">
        {adding ? (
          <NewPlan view={view} onDone={() => setAdding(false)} />
        ) : (
          <Button label="Plan a line or network" onPress={() => setAdding(true)} />
        )}
      </Row>
    </Card>
  );
}
