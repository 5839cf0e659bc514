/**
 * What a page needs beside the first program is asked for before that is done with itself. Only the list of jobs and a
 * job's Board come without the solver.
 */
if (!/^\/(?:job\/[^/]+\/?)?$/.test(window.location.pathname)) {
  void import('./pages');
  void import('@keypost/core/messages/all');
}
