import { format } from 'date-fns/format';

/** A day with its year. */
export const day = (at: string): string => format(new Date(at), 'd MMM yyyy');

/** When something was done, as a list of this year's work shows it. */
export const dayAndTime = (at: string): string => format(new Date(at), 'd MMM HH:mm');

/** The same with its year, where a list may go back further. */
export const dateAndTime = (at: string): string => format(new Date(at), 'd MMM yyyy HH:mm');

/** To the second, as a log shows it. */
export const dateToTheSecond = (at: string): string => format(new Date(at), 'd MMM yyyy HH:mm:ss');
