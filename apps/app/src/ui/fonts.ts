import FACES from './fonts.json';

/** The faces of the interface, each with what stands for it until it is in, or in a program that does not have it. */
export const FONTS: Readonly<typeof FACES> = FACES;
