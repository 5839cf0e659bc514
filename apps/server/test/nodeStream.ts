export { Duplex, PassThrough, Readable, Transform, Writable, finished, pipeline } from 'node:stream';
