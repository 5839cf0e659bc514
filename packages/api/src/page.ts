/** Whether an address is one of a page: neither of the interface for programs, nor of a file. A file that is missing is missing: the page in its place would be taken for it. */
export const isPage = (path: string): boolean =>
  !/^\/(?:api|_expo|assets)(?:\/|$)|\.\w{1,8}(?:\?|$)/.test(path);

/**
 * What a page asks for as soon as its program runs, so that it is asked for beside that: the list of jobs, or the job.
 * @returns a `Link` header (RFC 8288; HTML, preload), or nothing.
 */
export function aheadOf(path: string): string | undefined {
  if (/^\/(?:\?|$)/.test(path)) return '</api/jobs>; rel=preload; as=fetch; crossorigin';
  const [, jobId] = /^\/job\/([\w.-]{1,64})(?:[/?]|$)/.exec(path) ?? [];
  return jobId === undefined || jobId === 'try'
    ? undefined
    : `</api/jobs/${jobId}>; rel=preload; as=fetch; crossorigin`;
}
