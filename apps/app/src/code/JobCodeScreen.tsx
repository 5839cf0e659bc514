import type { JobView } from '@keypost/api';
import { textOf } from '@keypost/core/messages';
import { plcOpenXml, printProgram } from '@keypost/core/scaling';
import type { JobProgram, RealType } from '@keypost/core/switching';
import { useState } from 'react';
import { View } from 'react-native';
import { CodeFiles } from '../chain/CodeFiles';
import { Working } from '../chain/Working';
import { now } from '../data/now';
import { refusalText } from '../data/refusalText';
import { Button } from '../ui/Button';
import { Card, Row } from '../ui/Card';
import { Caution, Notice } from '../ui/Notice';
import { RealTypes } from '../chain/RealTypes';
import { JobPage } from '../job/JobPage';
import { Text } from '../ui/Text';
import { useTask } from '../workers/useTask';

/** One program for the controller with all points of a job. */
export function JobCodeScreen() {
  return (
    <JobPage narrow title="Code for the controller" back="/about" what="the points">
      {(view) => <JobCode view={view} />}
    </JobPage>
  );
}

function JobCode({ view }: { view: JobView }) {
  const [type, setType] = useState<RealType>('REAL');
  const task = useTask('jobProgram');
  const write = () => task.start({ job: view.content, type });
  return (
    <>
      <Card title="All points in one program">
        <Row first className="gap-3">
          <Text as="body">
            Each point with a value is scaled by its own chain, and its alarms are called. Counts and clearing
            are variables that you give their addresses.
          </Text>
          <RealTypes value={type} onChange={setType} />
          {task.busy ? (
            <Working count={task.count} all={view.content.points.length} onStop={task.cancel} />
          ) : (
            <Button label="Write the code" kind="main" onPress={write} />
          )}
          {task.error && <Notice>{refusalText(task.error)}</Notice>}
        </Row>
      </Card>
      {task.answer && !task.busy && <Written view={view} of={task.answer} />}
    </>
  );
}

function Written({
  view: { content },
  of: { program, scaled, alarmed, left },
}: {
  view: JobView;
  of: JobProgram;
}) {
  return (
    <Card title="Written" aside={<Text as="small">IEC 61131-3</Text>}>
      <Row first className="gap-3">
        <View role="status" aria-label="What is in it">
          <Text as="strong">{`${scaled.length} points scaled, ${alarmed.length} with their alarms`}</Text>
          <Text as="small">{scaled.join(', ')}</Text>
        </View>
        <Caution>
          Check the first value of each against a meter before anything acts on it. No alarm of a controller
          takes the place of a safety function.
        </Caution>
        <CodeFiles
          file={`${content.name} points`}
          text={() => printProgram(program)}
          xml={() => plcOpenXml(content.name, program, now())}
        />
      </Row>
      {left.map(({ tag, why }) => (
        <Row key={tag} className="py-2">
          <Text as="strong">{`${tag} is left out`}</Text>
          <Text as="small">{textOf(why)}</Text>
        </Row>
      ))}
    </Card>
  );
}
