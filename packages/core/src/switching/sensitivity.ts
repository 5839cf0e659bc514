import { say } from '../messages/index.ts';
import type { Message } from '../messages/index.ts';
import { refuse } from '../model/index.ts';

/** What was found while the sensitivity of a diffuse sensor was turned up from nothing, on the adjuster's own scale. */
interface FoundSensitivity {
  /** Full scale of the adjuster: turns, divisions or percent. */
  readonly scale: number;
  /** Below this the object is lost. */
  readonly objectLost: number;
  /** From this on the background is seen without the object; nothing where it is not seen at full scale. */
  readonly backgroundSeen?: number;
  /** Whether the stability lamp is on with the object and without it at the setting. */
  readonly stable: boolean;
}

interface SensitivitySetting {
  /** Where to set it, on the scale. */
  readonly setting: number;
  /** From the setting to where the object is lost, and to where the background is seen, on the scale. */
  readonly toObject: number;
  readonly toBackground: number;
  readonly verdict: 'good' | 'tight';
  readonly sentence: Message;
}

/** So much is to be left to either side, on the scale. */
export const leastMargin = (scale: number): number => MIN_SENSITIVITY_MARGIN * scale;

/** Less of the scale than this to either side is taken for too tight: dirt, a darker object or a lamp's age use it up. */
const MIN_SENSITIVITY_MARGIN = 0.1;

/**
 * The setting halfway between where the object is just lost and where the background is just seen, with the margin
 * to both, and whether that is enough.
 * @throws JobProblem where the numbers cannot be: outside the scale, or the background seen before the object.
 */
export function sensitivitySetting(found: FoundSensitivity): SensitivitySetting {
  const { scale, objectLost, stable } = found;
  const backgroundSeen = found.backgroundSeen ?? scale;
  if (!(scale > 0)) refuse(say('switching.scale-adjuster-longer-0'), 'scale');
  if (!(objectLost >= 0 && objectLost < scale))
    refuse(say('switching.object-lost-somewhere-0', { scale }), 'objectLost');
  if (!(backgroundSeen > 0 && backgroundSeen <= scale))
    refuse(say('switching.background-seen-somewhere-above', { scale }), 'backgroundSeen');
  if (backgroundSeen <= objectLost) refuse(say('switching.background-seen-before-object'), 'backgroundSeen');
  const setting = (objectLost + backgroundSeen) / 2;
  const margin = setting - objectLost;
  const min = leastMargin(scale);
  const tight = margin < min || !stable;
  return {
    setting,
    toObject: margin,
    toBackground: backgroundSeen - setting,
    verdict: tight ? 'tight' : 'good',
    sentence: say('switching.set-losing-object-seeing', {
      setting,
      scale,
      margin,
      backgroundSeen,
      tight,
      tight2: tightText(margin < min, stable, min),
    }),
  };
}

function tightText(narrow: boolean, stable: boolean, min: number): Message {
  const why = narrow
    ? say('switching.less-left-either-side', { min })
    : say('switching.stability-lamp-both-states');
  return say('switching.too-tight-dirt-another', { why, narrow, stable });
}
