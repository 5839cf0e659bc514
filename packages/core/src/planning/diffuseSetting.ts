import { JobProblem } from '../model/index.ts';
import { fixed } from '../units/index.ts';

/** What was found while the sensitivity of a diffuse sensor was turned up from nothing, on the adjuster's own scale. */
export interface FoundSensitivity {
  /** Full scale of the adjuster: turns, divisions or percent. */
  readonly scale: number;
  /** Below this the object is lost. */
  readonly objectLost: number;
  /** From this on the background is seen without the object; nothing where it is not seen at full scale. */
  readonly backgroundSeen?: number;
  /** Whether the stability lamp is on with the object and without it at the setting. */
  readonly stable: boolean;
}

export interface SensitivitySetting {
  /** Where to set it, on the scale. */
  readonly setting: number;
  /** From the setting to where the object is lost, and to where the background is seen, on the scale. */
  readonly toObject: number;
  readonly toBackground: number;
  readonly verdict: 'good' | 'tight';
  readonly sentence: string;
}

/** Less of the scale than this to either side is taken for too tight: dirt, a darker object or a lamp's age use it up. */
const LEAST_SENSITIVITY_MARGIN = 0.1;

/**
 * The setting halfway between where the object is just lost and where the background is just seen, with the margin
 * to both, and whether that is enough.
 * @throws JobProblem where the numbers cannot be: outside the scale, or the background seen before the object.
 */
export function sensitivitySetting(found: FoundSensitivity): SensitivitySetting {
  const { scale, objectLost, stable } = found;
  const backgroundSeen = found.backgroundSeen ?? scale;
  const refuse = (path: string, message: string): never => {
    throw new JobProblem([{ path, message }]);
  };
  if (!(scale > 0)) refuse('scale', 'The scale of the adjuster is longer than 0.');
  if (!(objectLost >= 0 && objectLost < scale))
    refuse('objectLost', `The object is lost somewhere from 0 to below ${scale}.`);
  if (!(backgroundSeen > 0 && backgroundSeen <= scale))
    refuse('backgroundSeen', `The background is seen somewhere above 0, up to ${scale}.`);
  if (backgroundSeen <= objectLost)
    refuse(
      'backgroundSeen',
      'The background is seen before the object: no setting tells them apart. Tilt the sensor, darken or move the background, or take one with background suppression.',
    );
  const setting = (objectLost + backgroundSeen) / 2;
  const margin = setting - objectLost;
  const least = LEAST_SENSITIVITY_MARGIN * scale;
  const tight = margin < least || !stable;
  return {
    setting,
    toObject: margin,
    toBackground: backgroundSeen - setting,
    verdict: tight ? 'tight' : 'good',
    sentence: `Set it to ${fixed(setting, 1)} of ${fixed(scale, 0)}: ${fixed(margin, 1)} from losing the object, ${fixed(backgroundSeen - setting, 1)} from seeing the background.${tight ? tightWords(margin < least, stable, least) : ''}`,
  };
}

function tightWords(narrow: boolean, stable: boolean, least: number): string {
  const why = narrow
    ? `less than ${fixed(least, 1)} is left to either side`
    : 'the stability lamp is not on in both states';
  return ` That is too tight: ${why}${narrow && !stable ? ', and the stability lamp is not on in both states' : ''}. Dirt or another object will upset it: bring the sensor closer, tilt it, or take one with background suppression.`;
}
