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
