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
      sentence: `${tag}: its description file is not installed in the controller’s project; the controller cannot address it.`,
    });
  if (role === 'device' && name && nameOnDevice !== undefined && nameOnDevice !== name)
    faults.push({
      tags: [tag],
      sentence: nameOnDevice
        ? `${tag} has the name ${nameOnDevice}; the project looks for ${name}.`
        : `${tag} has no name of its own yet; the project looks for ${name}.`,
    });
  return faults;
}

/** One step of commissioning a network, with the caution that belongs there. */
export interface NetworkStep {
  readonly key: string;
  readonly title: string;
  readonly detail?: string;
  readonly caution?: string;
}

const inList = (members: readonly NetworkMember[]): string => members.map(({ tag }) => tag).join(', ');

/** The order in which a network is brought up: plan, own machine, one device after the other, project, test. */
export function networkSteps(plan: EthernetPlan): NetworkStep[] {
  const { members } = plan;
  const faults = networkFaults(plan);
  const of = (role: NetworkMember['role']): NetworkMember[] =>
    members.filter((member) => member.role === role);
  const files = members.filter(({ file }) => file !== 'not needed');
  const laptop = of('laptop')[0];
  return [
    {
      key: 'plan',
      title: faults.length ? `Clear what the plan says: ${faults.length} to mend` : 'Plan without faults',
      detail: 'Before anything is plugged in: an address used twice takes down both.',
    },
    ...(laptop
      ? [
          {
            key: 'laptop',
            title: `Give ${laptop.tag} ${laptop.address}, mask ${laptop.mask}; wireless off`,
            detail: 'Two networks on one laptop send the answer the wrong way.',
          },
        ]
      : []),
    ...(of('router').length
      ? [
          {
            key: 'router',
            title: `See that ${inList(of('router'))} gives out no addresses that are in the plan`,
            detail: 'An address that is given out today is used twice tomorrow.',
          },
        ]
      : []),
    ...(files.length
      ? [{ key: 'files', title: `Install the description files of ${inList(files)} in the project` }]
      : []),
    ...of('device').map((member) => ({
      key: `device-${member.id}`,
      title: `Plug in ${member.tag} alone; give it ${member.address}${member.name ? ` and the name ${member.name}` : ''}`,
      detail: 'One at a time: new devices all come with the same address or none.',
    })),
    ...of('panel screen').map((member) => ({
      key: `screen-${member.id}`,
      title: `Give ${member.tag} ${member.address}`,
    })),
    ...(of('controller').length
      ? [
          {
            key: 'controller',
            title: `Load the project into ${inList(of('controller'))}; names and addresses as planned`,
            caution: 'The machine can start when the controller runs. Keep people clear.',
          },
        ]
      : []),
    {
      key: 'test',
      title: 'Reach every address from the laptop, then every device from the controller',
      detail: 'Unplug one: the controller must say which.',
    },
  ];
}
