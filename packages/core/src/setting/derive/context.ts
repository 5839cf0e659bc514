import type { Text } from '../../messages/index.ts';
import type { Parameter } from '../../catalog/index.ts';
import type { Device, Module, Point } from '../../model/index.ts';
import type { JobIndex } from '../../job/index.ts';
import type { OwnPort, PointContext } from '../../network/index.ts';

/** A required value that follows from the job, and from what. */
interface Derived {
  readonly value: string;
  /** Such as `name-plate: pipe size 3 in`. */
  readonly from: Text;
  /** Nothing of the job says so; it is what is usual, and `from` says why. */
  readonly usual?: boolean;
}

/** Why nothing follows, although it should. */
interface Underived {
  readonly problem: Text;
}

export type Derivation = Derived | Underived | undefined;

/** What a rule may look at: the part, the point it serves, and where that is landed. */
export interface DeriveContext {
  readonly index: JobIndex;
  readonly item: Device | Module;
  /** The port of a module that the parameter belongs to, if it is one's. */
  readonly port?: OwnPort;
  /** The point that the part, or the port, serves; none for a free port. */
  readonly point?: Point;
  readonly device?: Device;
  readonly context?: PointContext;
  /** The unit in which a parameter is asked, where another parameter says it. */
  readonly unitOf: (parameter: Parameter) => string;
  /** What is required of another parameter of the same part. */
  readonly requiredOf: (key: string) => string | undefined;
}
