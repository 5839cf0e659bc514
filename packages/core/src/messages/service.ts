/** Sentences by code. */
export const SERVICE = {
  'service.bench-source-gives': ({ keys, unit }: { keys: readonly string[]; unit: string }) =>
    `A bench source gives ${keys.join(', ')}; it has no ${unit}.`,
  'service.source-told-number': 'The source told no number: it is in overload, or nothing is connected.',
  'service.source-give-outside-range': ({ value, unit }: { value: number; unit: string }) =>
    `The source cannot give ${value} ${unit}: that is outside its range.`,
  'service.source-refused': ({ error }: { error: string }) =>
    `The source refused: ${error.replace(/^[^"]*"|"$/g, '')}.`,
  'service.source-answers': ({ link }: { link: string }) => `No source answers at ${link}.`,
  'service.source-does-answer-time': 'The source does not answer in time.',
  'service.give-master-address-first': 'Give the master an address first.',
  'service.way-leads-give-master': 'No way leads to it: give its master, line or network an address first.',
  'service.part-job-any-more': 'This part is not in the job any more.',
  'service.reached-here-read-device': 'It cannot be reached from here; read it at the device.',
  'service.device-answers-port': ({ port }: { port: number }) => `No device answers on port ${port}.`,
  'service.port-disabled': ({ port }: { port: number }) => `Port ${port} is disabled.`,
  'service.port-description-nothing-written': ({
    port,
    productName,
    vendorId,
    deviceId,
    vendorId2,
    deviceId2,
  }: {
    port: number;
    productName: undefined | string;
    vendorId: number;
    deviceId: number;
    vendorId2: number;
    deviceId2: number;
  }) =>
    `On port ${port} is ${productName ?? 'another device'} (${vendorId}/${deviceId}); the description is for ${vendorId2}/${deviceId2}. Nothing is written to it.`,
  'service.can-only-be-read': ({ rowName }: { rowName: string }) => `${rowName} can only be read.`,
  'service.master-does-answer': 'The master does not answer.',
  'service.what-answers-io-link': 'What answers there is no IO-Link master of the JSON form.',
  'service.master-port': ({ port }: { port: number }) => `The master has no port ${port}.`,
  'service.master-answered-status': ({ status }: { status: number }) =>
    `The master answered with status ${status}.`,
  'service.device-refuses-0x': ({ message, code }: { message: string; code: string }) =>
    `The device refuses: ${message} (0x${code}).`,
  'service.device-reached': ({ message }: { message: string }) => `The device cannot be reached: ${message}.`,
  'service.master-refuses': ({ message, code }: { message: string; code: number }) =>
    `The master refuses: ${message} (${code}).`,
  'service.connection-broke': 'The connection broke.',
  'service.what-answers-speaks-modbus':
    'What answers there does not use Modbus in this framing. On a serial line, compare baud, parity and stop bits first.',
  'service.check-sum': ({ unit }: { unit: number }) =>
    `Unit ${unit} answers, and the check sum does not fit: noise, a missing terminator, or another baud or parity. Nothing was taken of it.`,
  'service.others-answer': ({ unit, others }: { unit: number; others: readonly string[] }) =>
    `Unit ${unit} does not answer; unit ${others.join(', ')} does, to somebody else. Nothing was taken of that.`,
  'service.only-echo': ({ unit }: { unit: number }) =>
    `Unit ${unit} does not answer: only what was sent comes back. The converter echoes; look at the unit’s number, its lines A and B, and its supply.`,
  'service.unit-does-answer': ({ unit }: { unit: number }) => `Unit ${unit} does not answer.`,
  'service.nothing-answers': ({ host, port }: { host: string; port: number }) =>
    `Nothing answers at ${host}:${port}.`,
  'service.unit-refuses-exception': ({ exception, code }: { exception: string; code: number }) =>
    `The unit refuses: ${exception} (exception ${code}).`,
  'service.what-server-read-device': 'Only what this server read from a device counts as read.',
  'service.damaged': ({ rows }: { rows: readonly string[] }) =>
    `A part of this job cannot be read (${rows.slice(0, 3).join(', ')}${rows.length > 3 ? ', …' : ''}). It is shown without it, and nothing can be changed. Save the job as a file, and keep that file.`,
  'service.made-and-removed': 'This job was made before, and removed since. Make a new one.',
  'service.foreign-name': ({ name }: { name: string }) =>
    `“${name}” is no name of this server. Open it under localhost, or under the address that it was started with.`,
  'service.backup-here':
    'A backup holds everything. It is made on the machine on which Key Post runs: ./keypost backup FILE.',
  'service.foreign-page': 'Another page may not call this server.',
  'service.no-text': 'This holds signs that no text is made of, such as NUL. Take them out.',
  'service.too-deep': ({ levels }: { levels: number }) => `This is nested deeper than ${levels} levels.`,
  'service.disk-full':
    'The disk of the server is full: nothing was stored. Make room there, then try again; what you entered is kept here.',
  'service.silent': ({ seconds }: { seconds: number }) =>
    `The server has not answered for ${seconds} s. Nothing is lost: what you entered is kept here, and trying again cannot store it twice.`,
  'service.tried-only':
    'This is only tried, on this device: there is no server behind it. Keep it in a job first.',
  'service.this-change': 'This change',
  'service.undo-job':
    'That a job was begun or brought in is not undone. Remove the job on its own page instead.',
  'service.this-job': 'This job',
  'service.this-photo': 'This photo',
  'service.photo-no-jpeg': 'This is no JPEG picture. Photos are kept as JPEG.',
  'service.photo-broken': 'The picture is broken off or damaged. Take or choose it again.',
  'service.photo-other-picture': 'The file holds another picture than the one that its photo names.',
  'service.photo-way': 'A photo comes with its picture, by the way of photos.',
  'service.teaching-failed-old-values': 'Teaching failed; the old values stay.',
  'service.device-took-instead': ({ readBack, value }: { readBack: string; value: string }) =>
    `The device took ${readBack} instead of ${value}.`,
  'service.could-read': 'It could not be read.',
  'service.simulated-partner': 'A simulated partner',
  'service.port': ({ port }: { port: number }) => `Port ${port}`,
  'service.unit': ({ unit }: { unit: number }) => `Unit ${unit}`,
  'service.not-found': ({ what }: { what: string }) => `${what} is not here. It may have been removed.`,
  'service.stale': 'Somebody changed this while you worked on it. Keep yours or take theirs.',
  'service.not-allowed': 'This is not allowed.',
  'service.too-large': 'This is larger than the server takes: 91 MB for a job file, 4 MB for a change.',
  'service.not-json': 'The body is not JSON.',
  'service.content-type': 'Send JSON.',
  'service.cannot': 'The request is not one that the server takes.',
  'service.database-away':
    'The database of the server does not answer just now. What was stored is safe, what you entered is kept here, and trying again cannot store it twice.',
  'service.broke': 'The server could not do this. Nothing was stored; try again.',
  'service.away-reading':
    'The server does not answer. What is stored there is safe; try again when it is back.',
  'service.away': 'The server does not answer. What you entered is kept here; try again when it is back.',
  'service.unexpected': ({ status }: { status: number }) => `The server answered with status ${status}.`,
} as const;
