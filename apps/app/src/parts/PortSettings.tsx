import { nth } from '@keypost/core/lists';
import { textOf } from '@keypost/core/messages';
import { SAFETY_NOTE } from '@keypost/core/analysis';
import type { Module, Settings } from '@keypost/core/model';
import type { ModuleType, Setting } from '@keypost/core/catalog';
import type { Saver } from '../data/useSave';
import type { OpenPoint } from '../point/usePoint';
import { Caution } from '../ui/Notice';
import { Card, Row } from '../ui/Card';
import { Text } from '../ui/Text';
import { SettingRows } from './SettingRow';

/** Switches and parameters of the modules that a point stands on: those of its own inputs and those of the whole. */
export function PortSettings({ point, saver }: { point: OpenPoint; saver: Saver }) {
  const { ports } = point.analysis.context;
  const modules = new Map(ports.map(({ module }) => [module.id, module]));
  return [...modules.values()].map((module) => (
    <ModuleSettings
      key={module.id}
      module={module}
      type={point.index.moduleType(module)}
      names={ports.filter((own) => own.module.id === module.id).map(({ port }) => port.name)}
      saver={saver}
    />
  ));
}

function ModuleSettings({
  module,
  type,
  names,
  saver,
}: {
  module: Module;
  type: ModuleType;
  names: readonly string[];
  saver: Saver;
}) {
  const counts = ({ key }: Setting): boolean => !key.includes('.') || names.includes(nth(key.split('.'), 0));
  const shown = (type.settings ?? []).filter(counts);
  if (!shown.length) return null;
  const put = (settings: Settings) =>
    void saver.save({ kind: 'editModule', id: module.id, patch: { settings } });
  return (
    <Card title={`Set on ${module.tag}`}>
      <Row first className="gap-4">
        <Text as="small">{type.name}</Text>
        {type.description.safety && <Caution>{textOf(SAFETY_NOTE)}</Caution>}
        <SettingRows type={type} settings={shown} chosen={module.settings} onChange={put} />
      </Row>
    </Card>
  );
}
