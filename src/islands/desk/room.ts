// Room that is kept for every job on the desk before it is read: nothing moves under the pointer when it comes.
/** Tallest picture of a strip, pixels. */
export const ROOM_PX = 180;
/** Room of a row of pictures: with what stands below them, and a bar to push it by. */
export const ROW_PX = ROOM_PX + 36;
