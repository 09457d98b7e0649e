/** Names the program that works out and keeps what lies on the device of the catalogue: no other one reads it. */
declare const __BUILD__: string;
export const BUILD = __BUILD__;
