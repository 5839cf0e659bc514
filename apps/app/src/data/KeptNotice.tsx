import { Banner } from '../ui/Banner';
import { dateAndTime } from '../ui/dates';

/** Says that there is no network, and from when what is shown is. */
export const KeptNotice = ({ since }: { since: string }) => (
  <Banner
    title="No network: this can only be read"
    text={`It is as it was on ${dateAndTime(since)}; others may have changed it since. What you type stays on this device, but nothing is stored before the network is back.`}
  />
);
