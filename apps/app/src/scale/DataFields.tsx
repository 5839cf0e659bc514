import { textOf } from '@keypost/core/messages';
import type { DataValue } from '@keypost/core/scaling';
import { Card, Row } from '../ui/Card';
import { Select } from '../ui/Select';
import { Text } from '../ui/Text';
import { Side, Typed } from './setupFields';
import type { Fields } from './setupFields';

/** Which of the values that arrive it is, what its raw numbers mean, what it stands for, what the program makes of it. */
export function DataFields({ values, ...of }: Fields & { values: readonly DataValue[] }) {
  const { texts, change } = of;
  return (
    <>
      <Card title="Value">
        <Row first className="gap-3">
          <Select
            label="Which value"
            value={texts.item}
            onChange={(item) => {
              const { line, limits, ends } = values.find(({ id }) => id === item) ?? {};
              const raw = limits ?? ends;
              change({
                item,
                gradient: String(line?.gradient ?? 1),
                offset: String(line?.offset ?? 0),
                lineUnit: line?.unit ?? '',
                rawLow: String(raw?.low ?? ''),
                rawHigh: String(raw?.high ?? ''),
              });
            }}
            options={values.map(({ id, name, place }) => ({ value: id, label: `${name}, ${textOf(place)}` }))}
          />
          <Side>
            <Typed of={of} name="gradient" label="Each raw number is" unit={texts.lineUnit} />
            <Typed of={of} name="offset" label="Raw zero is" unit={texts.lineUnit} />
            <Typed of={of} name="lineUnit" label="Unit" words />
          </Side>
          <Side>
            <Typed of={of} name="rawLow" label="Lowest raw number" />
            <Typed of={of} name="rawHigh" label="Highest raw number" />
          </Side>
          <Side>
            <Typed
              of={of}
              name="sensorPercent"
              label="Accuracy"
              unit="% of span"
              hint="0.5 is taken while empty"
            />
          </Side>
        </Row>
      </Card>
      <StandsFor {...of} />
      <InProgram {...of} />
    </>
  );
}

/** What it stands for where that is not what the device measures. */
function StandsFor(of: Fields) {
  const { texts } = of;
  return (
    <Card title="Stands for">
      <Row first className="gap-3">
        <Text as="soft">
          Where something else is wanted than the device measures, such as a level for a distance: two places
          of it. Left empty, its own value is wanted.
        </Text>
        <Side>
          <Typed of={of} name="standsAt" label="At" unit={texts.lineUnit} />
          <Typed of={of} name="standsLow" label="it is" unit={texts.standsUnit} />
        </Side>
        <Side>
          <Typed of={of} name="standsAtOther" label="And at" unit={texts.lineUnit} />
          <Typed of={of} name="standsHigh" label="it is then" unit={texts.standsUnit} />
        </Side>
        <Side>
          <Typed of={of} name="standsUnit" label="Wanted unit" words />
        </Side>
      </Row>
    </Card>
  );
}

/** What was found in the program. */
function InProgram(of: Fields) {
  const { texts } = of;
  return (
    <Card title="In the program">
      <Row first className="gap-3">
        <Text as="soft">
          What was found in the program, where it is not as wanted: two raw numbers and what it makes of them.
        </Text>
        <Side>
          <Typed of={of} name="programRawLow" label="Raw number" />
          <Typed of={of} name="programLow" label="becomes" unit={texts.standsUnit || texts.lineUnit} />
        </Side>
        <Side>
          <Typed of={of} name="programRawHigh" label="And raw number" />
          <Typed of={of} name="programHigh" label="becomes then" unit={texts.standsUnit || texts.lineUnit} />
        </Side>
      </Row>
    </Card>
  );
}
