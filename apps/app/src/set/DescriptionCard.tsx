import { DescriptionChoice } from '../job/DescriptionChoice';
import type { OpenPoint } from '../point/usePoint';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';

/** Of a device that talks IO-Link: the file that says what its parameters and its bytes mean. */
export function DescriptionCard({ point }: { point: OpenPoint }) {
  const { device, output } = point.analysis.context;
  if (output.landsOn !== 'io-link') return null;
  return (
    <Card title="Description file">
      <Row first className="gap-3">
        {device.descriptionId === undefined && (
          <Text as="body">
            Its parameters, its bytes and its scale are read from it: the open device description of IO-Link
            (IODD), one XML file a device.
          </Text>
        )}
        <DescriptionChoice view={point.view} device={device} />
      </Row>
    </Card>
  );
}
