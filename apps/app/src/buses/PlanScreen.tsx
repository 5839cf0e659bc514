import { useGlobalSearchParams } from 'expo-router';
import { Notice } from '../ui/Notice';
import { BusPage } from './BusPage';
import { NetworkPlanView } from './NetworkPlanView';
import { SerialPlanView } from './SerialPlanView';

/** A serial line or a network as it is planned, with everything that would not work. */
export function PlanScreen() {
  const { planId } = useGlobalSearchParams<{ planId: string }>();
  return (
    <BusPage title="Plan" back="/buses">
      {(view, index) => {
        const plan = view.content.plans.find(({ id }) => id === planId);
        if (!plan) return <Notice>This plan is not in the job any more.</Notice>;
        return plan.kind === 'serial' ? (
          <SerialPlanView key={plan.id} view={view} index={index} plan={plan} />
        ) : (
          <NetworkPlanView key={plan.id} view={view} plan={plan} />
        );
      }}
    </BusPage>
  );
}
