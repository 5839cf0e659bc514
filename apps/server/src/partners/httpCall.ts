import http from 'node:http';
import { outOfPatience } from './outOfPatience.ts';

/** More than a master of the JSON form ever answers with, bytes. */
const MAX_ANSWER = 1024 * 1024;

/**
 * Asks over HTTP and gives status and text. Unlike `fetch` it reaches any port, since a master may answer on any.
 * @throws Error when nothing answers in time, or with too much.
 */
export function httpCall(
  url: string,
  body: unknown,
  patience: number,
): Promise<{ status: number; text: string }> {
  const sent = body === undefined ? undefined : JSON.stringify(body);
  return new Promise((done, fail) => {
    const request = http.request(url, {
      method: sent === undefined ? 'GET' : 'POST',
      headers:
        sent === undefined
          ? {}
          : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(sent) },
    });
    const end = outOfPatience(patience, () => request.destroy(new Error('No answer in time.')));
    request.on('close', end);
    request.on('error', fail);
    request.on('response', (response) => {
      let text = '';
      response.setEncoding('utf8');
      response.on('error', fail);
      response.on('data', (chunk: string) => {
        text += chunk;
        if (text.length > MAX_ANSWER) response.destroy(new Error('The answer is too long.'));
      });
      response.on('end', () => done({ status: response.statusCode ?? 0, text }));
    });
    request.end(sent);
  });
}
