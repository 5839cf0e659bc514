/**
 * The mark of the form in which a server answers, drawn from the schemas of all answers (`form.test.ts` tells it). A page
 * that finds its own mark on an answer takes it as it is; any other answer it checks by those schemas first.
 */
export const FORM = '9486a15f765c';
export const FORM_HEADER = 'x-keypost-form';
