import { sure } from '@keypost/core/lists';
import Fastify from 'fastify';
import type { FastifyInstance, FastifyReply } from 'fastify';
import { z } from 'zod';
import { IsduError } from './simulatedDevice.ts';
import type { SimulatedDevice } from './simulatedDevice.ts';
import { statusOf } from './simulatedMaster.ts';
import type { SimulatedMaster, SimulatedPort } from './simulatedMaster.ts';

/** A refusal in the JSON form: its own code, and the device's where it was the device that refused. */
class JsonError extends Error {
  readonly status: number;
  readonly code: number;
  readonly isdu?: IsduError;
  constructor(status: number, code: number, message: string, isdu?: IsduError) {
    super(message);
    this.status = status;
    this.code = code;
    this.isdu = isdu;
  }
}

const notFound = (what: string, code: number): never => {
  throw new JsonError(404, code, `${what} not found`);
};

const ByteArray = z.object({ value: z.array(z.int().min(0).max(255)).max(232) });
const Configuration = z.object({
  mode: z.enum(['DEACTIVATED', 'IOLINK_AUTOSTART', 'IOLINK_MANUAL', 'DIGITAL_INPUT', 'DIGITAL_OUTPUT']),
  validationAndBackup: z
    .enum([
      'NO_DEVICE_CHECK',
      'TYPE_COMPATIBLE_DEVICE_V1.1',
      'TYPE_COMPATIBLE_DEVICE_V1.1_BACKUP_AND_RESTORE',
      'TYPE_COMPATIBLE_DEVICE_V1.1_RESTORE',
    ])
    .optional(),
  cycleTime: z.object({ value: z.number().min(0).max(132.8), unit: z.literal('ms') }).optional(),
  vendorId: z.int().min(0).max(65535).optional(),
  deviceId: z.int().min(0).max(16777215).optional(),
  deviceAlias: z.string().max(32).optional(),
});

/**
 * A master over HTTP in the JSON form of the IO-Link community (JSON Integration for IO-Link, version 1.0): identity,
 * ports, configuration, process data and parameters as byte arrays.
 */
export function ioLinkJson(master: SimulatedMaster): FastifyInstance {
  const app = Fastify({ logger: false, bodyLimit: 64 * 1024, forceCloseConnections: true });
  app.setErrorHandler((error, _request, reply) => answerError(reply, error as Error));
  app.setNotFoundHandler((_request, reply) =>
    answerError(reply, new JsonError(404, 301, 'Resource not found')),
  );
  app.register(
    (scope, _options, done) => {
      gatewayRoutes(scope, master);
      portRoutes(scope, master);
      deviceRoutes(scope, master);
      done();
    },
    { prefix: '/iolink/v1' },
  );
  return app;
}

function answerError(reply: FastifyReply, error: Error & { statusCode?: number }): FastifyReply {
  if (error instanceof JsonError)
    return reply.code(error.status).send({
      code: error.code,
      message: error.message,
      ...(error.isdu && { iolinkError: { code: error.isdu.code, message: error.isdu.message } }),
    });
  if (error instanceof z.ZodError)
    return reply
      .code(400)
      .send({ code: 202, message: `JSON data value invalid: ${error.issues[0]?.path.join('.') ?? ''}` });
  if (error.statusCode && error.statusCode < 500)
    return reply.code(error.statusCode).send({ code: 201, message: 'JSON parsing failed' });
  return reply.code(500).send({ code: 101, message: 'Internal error' });
}

function gatewayRoutes(app: FastifyInstance, master: SimulatedMaster): void {
  app.get('/gateway/identification', () => ({
    macAddress: '02:00:5E:10:00:51',
    serialNumber: 'SIM-1',
    productId: 'simulated master',
    vendorName: 'Key Post practice',
  }));
  app.get('/masters', () => [{ masterNumber: 1, serialNumber: 'SIM-1', locationTag: 'practice' }]);
  app.get('/masters/1/capabilities', () => ({ numberOfPorts: master.ports.length }));
  app.get('/masters/1/identification', () => ({
    vendorId: 0,
    masterId: 1,
    vendorName: 'Key Post practice',
    masterType: 'Unspecified_Master',
    serialNumber: 'SIM-1',
  }));
}

function portRoutes(app: FastifyInstance, master: SimulatedMaster): void {
  const portOf = (params: unknown): SimulatedPort =>
    master.port(Number((params as { port: string }).port)) ?? notFound('portNumber', 304);
  app.get('/masters/1/ports', () =>
    master.ports.map((port) => ({
      portNumber: port.number,
      statusInfo: statusOf(port),
      deviceAlias: port.configuration.deviceAlias,
    })),
  );
  app.get('/masters/1/ports/:port/capabilities', ({ params }) => ({ portType: portOf(params).portType }));
  app.get('/masters/1/ports/:port/status', ({ params }) => {
    const port = portOf(params);
    if (statusOf(port) !== 'DEVICE_ONLINE') return { statusInfo: statusOf(port) };
    const { bitrate, minCycleMicroseconds } = sure(port.device).known.description;
    return {
      statusInfo: statusOf(port),
      iolinkRevision: '1.1',
      transmissionRate: bitrate,
      masterCycleTime: { value: port.configuration.cycleTime || minCycleMicroseconds / 1000, unit: 'ms' },
    };
  });
  app.get('/masters/1/ports/:port/configuration', ({ params }) => {
    const { mode, validation, backup, vendorId, deviceId, cycleTime, deviceAlias } =
      portOf(params).configuration;
    const suffix = backup === 'NO_BACKUP' ? '' : `_${backup}`;
    return {
      mode,
      validationAndBackup:
        validation === 'NO_DEVICE_CHECK' ? validation : `TYPE_COMPATIBLE_DEVICE_V1.1${suffix}`,
      cycleTime: { value: cycleTime, unit: 'ms' },
      vendorId,
      deviceId,
      deviceAlias,
    };
  });
  app.post('/masters/1/ports/:port/configuration', ({ params, body }, reply) => {
    const port = portOf(params);
    const { validationAndBackup, cycleTime, ...rest } = Configuration.parse(body);
    const checks = validationAndBackup?.startsWith('TYPE');
    port.configuration = {
      ...port.configuration,
      ...rest,
      ...(cycleTime && { cycleTime: cycleTime.value }),
      ...(validationAndBackup && {
        validation: checks ? 'TYPE_COMPATIBLE_DEVICE' : 'NO_DEVICE_CHECK',
        backup: validationAndBackup.endsWith('BACKUP_AND_RESTORE')
          ? 'BACKUP_AND_RESTORE'
          : validationAndBackup.endsWith('_RESTORE')
            ? 'RESTORE'
            : 'NO_BACKUP',
      }),
    };
    return reply.code(204).send();
  });
}

function deviceRoutes(app: FastifyInstance, master: SimulatedMaster): void {
  const aliased = (params: unknown): SimulatedPort =>
    master.ports.find(
      ({ configuration }) => configuration.deviceAlias === (params as { alias: string }).alias,
    ) ?? notFound('deviceAlias', 306);
  const present = (port: SimulatedPort): SimulatedDevice => {
    const status = statusOf(port);
    if (!port.device || (status !== 'DEVICE_ONLINE' && status !== 'INCORRECT_DEVICE'))
      throw new JsonError(404, 311, 'IO-Link Device is not accessible');
    return port.device;
  };
  const connected = (port: SimulatedPort): SimulatedDevice => {
    const device = present(port);
    if (statusOf(port) !== 'DEVICE_ONLINE') throw new JsonError(404, 311, 'IO-Link Device is not accessible');
    return device;
  };
  const online = (params: unknown): SimulatedDevice => {
    const port = aliased(params);
    const device = connected(port);
    if (port.failing) throw new JsonError(503, 102, 'Internal communication error');
    return device;
  };
  app.get('/devices', () =>
    master.ports.map(({ number, configuration }) => ({
      deviceAlias: configuration.deviceAlias,
      masterNumber: 1,
      portNumber: number,
    })),
  );
  app.get('/devices/:alias/identification', ({ params }) => {
    const { description } = present(aliased(params)).known;
    return {
      vendorId: description.vendorId,
      deviceId: description.deviceId,
      iolinkRevision: '1.1',
      vendorName: description.vendor,
      productName: description.products[0]?.name ?? description.name,
      serialNumber: present(aliased(params)).serialNumber,
    };
  });
  app.get('/devices/:alias/processdata/value', ({ params }) => {
    const port = aliased(params);
    const device = connected(port);
    const out = device.processOut();
    return {
      getData: { iolink: { valid: !port.failing, value: [...device.processIn()] } },
      ...(out.length > 0 && { setData: { iolink: { valid: true, value: [...out] } } }),
    };
  });
  app.post('/devices/:alias/processdata/value', ({ params, body }, reply) => {
    const parsed = z.object({ iolink: ByteArray }).parse(body);
    guarded(() => online(params).setProcessOut(Uint8Array.from(parsed.iolink.value)));
    return reply.code(204).send();
  });
  parameterRoutes(app, online);
}

/** Turns a refusal of the device into one of the JSON form. */
function guarded<T>(act: () => T): T {
  try {
    return act();
  } catch (error) {
    if (!(error instanceof IsduError)) throw error;
    const missing = error.code === 0x8011 || error.code === 0x8012;
    throw new JsonError(
      missing ? 404 : 400,
      missing ? 312 : 313,
      missing ? 'IO-Link parameter not found' : 'IO-Link parameter access error',
      error,
    );
  }
}

function parameterRoutes(app: FastifyInstance, online: (params: unknown) => SimulatedDevice): void {
  const place = (params: unknown): [index: number, subindex: number] => {
    const { index, subindex = '0' } = params as { index: string; subindex?: string };
    return [Number(index), Number(subindex)];
  };
  for (const path of [
    '/devices/:alias/parameters/:index/value',
    '/devices/:alias/parameters/:index/subindices/:subindex/value',
  ]) {
    app.get(path, ({ params }) => ({ value: [...guarded(() => online(params).read(...place(params)))] }));
    app.post(path, ({ params, body }, reply) => {
      const { value } = ByteArray.parse(body);
      guarded(() => online(params).write(...place(params), Uint8Array.from(value)));
      return reply.code(204).send();
    });
  }
}
