const rooms = new Map<string, Map<number, Float64Array>>();

/**
 * Room for so many numbers that are all written before they are read, the same whenever it is asked for under a name:
 * whoever takes it has done with it before anybody asks again. To make it anew costs more than most of what is done in it.
 */
export function roomFor(name: string, length: number): Float64Array {
  let ofName = rooms.get(name);
  if (!ofName) rooms.set(name, (ofName = new Map<number, Float64Array>()));
  let room = ofName.get(length);
  if (!room) ofName.set(length, (room = new Float64Array(length)));
  return room;
}

let largest = new Float64Array(0);

/** The same for at least so many, all 0 of those: one room for all, since every length by itself would add up. */
export function emptyRoom(length: number): Float64Array {
  if (largest.length < length) largest = new Float64Array(length);
  else largest.fill(0, 0, length);
  return largest;
}
