import { Banner } from '../ui/Banner';
import { useNewer } from './kept';
import { usePartMissing } from './notFetched';

const reload = () => window.location.reload();

/** Says what is wrong with the program of this page. It comes with the page: later, its own file could be gone. */
export function ProgramNotice() {
  const isOld = useNewer();
  const lacks = usePartMissing();
  if (isOld)
    return (
      <Banner
        title="A newer Key Post has come"
        text="This page is still the older one. What you typed stays on this device."
        label="Load the newer one"
        onPress={reload}
      />
    );
  return lacks ? (
    <Banner
      title="A part of this page did not arrive"
      text="What it would say is not shown, be it something that was found wrong in the panel."
      label="Try again"
      onPress={reload}
    />
  ) : null;
}
