import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import type { EthernetPlan, NetworkMember } from '../model/index.ts';
import { ethernetFaults } from './ethernetPlan.ts';
import type { PlanFault } from './ethernetPlan.ts';

/** Everything in a network's plan that would not work, names and description files among it. */
export function networkFaults({ members }: EthernetPlan): PlanFault[] {
  return [...ethernetFaults(members), ...members.flatMap(stationFaults)];
}

function stationFaults({ tag, role, name, nameOnDevice, file }: NetworkMember): PlanFault[] {
  const faults: PlanFault[] = [];
  if (file === 'missing')
    faults.push({
      tags: [tag],
      sentence: say('fieldbus.description-file-installed-controller', { tag }),
    });
  if (role === 'device' && name && nameOnDevice !== undefined && nameOnDevice !== name)
    faults.push({
      tags: [tag],
      sentence: nameOnDevice
        ? say('fieldbus.name-project-looks', { tag, nameOnDevice, name })
        : say('fieldbus.name-own-yet-project', { tag, name }),
    });
  return faults;
}

/** One step of commissioning a network, with the caution that belongs there. */
export interface NetworkStep {
  readonly key: string;
  readonly title: Message;
  readonly detail?: Message;
  readonly caution?: Message;
}

const inList = (members: readonly NetworkMember[]): string => members.map(({ tag }) => tag).join(', ');

const withRole = ({ members }: EthernetPlan, role: NetworkMember['role']): NetworkMember[] =>
  members.filter((member) => member.role === role);

/** The order in which a network is brought up: plan, own machine, one device after the other, project, test. */
export function networkSteps(plan: EthernetPlan): NetworkStep[] {
  const controllers = withRole(plan, 'controller');
  return [
    ...beforeAnything(plan),
    ...withRole(plan, 'device').map((member) => ({
      key: `device-${member.id}`,
      title: say('fieldbus.plug-alone-give', {
        member: member.tag,
        address: member.address,
        memberName: member.name,
      }),
      detail: say('fieldbus.time-new-devices-all'),
    })),
    ...withRole(plan, 'panel screen').map((member) => ({
      key: `screen-${member.id}`,
      title: say('fieldbus.give', { member: member.tag, address: member.address }),
    })),
    ...(controllers.length
      ? [
          {
            key: 'controller',
            title: say('fieldbus.load-project-into-names', { tags: inList(controllers) }),
            caution: say('fieldbus.machine-start-when-controller'),
          },
        ]
      : []),
    {
      key: 'test',
      title: say('fieldbus.reach-every-address-laptop'),
      detail: say('fieldbus.unplug-controller-must-say'),
    },
  ];
}

/** What is seen to before the first device is plugged in. */
function beforeAnything(plan: EthernetPlan): NetworkStep[] {
  const faults = networkFaults(plan);
  const files = plan.members.filter(({ file }) => file !== 'not needed');
  const routers = withRole(plan, 'router');
  const steps: NetworkStep[] = [
    {
      key: 'plan',
      title: faults.length
        ? say('fieldbus.clear-what-plan-says', { faults: faults.length })
        : say('fieldbus.plan-without-faults'),
      detail: say('fieldbus.before-anything-plugged-address'),
    },
  ];
  for (const { tag: laptop, address, mask } of withRole(plan, 'laptop').slice(0, 1))
    steps.push({
      key: 'laptop',
      title: say('fieldbus.give-mask-wireless-off', { laptop, address, mask }),
      detail: say('fieldbus.two-networks-laptop-send'),
    });
  if (routers.length)
    steps.push({
      key: 'router',
      title: say('fieldbus.see-gives-out-addresses', { tags: inList(routers) }),
      detail: say('fieldbus.address-given-out-today'),
    });
  if (files.length)
    steps.push({
      key: 'files',
      title: say('fieldbus.install-description-files-project', { tags: inList(files) }),
    });
  return steps;
}
