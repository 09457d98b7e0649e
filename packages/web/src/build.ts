/** Names what the core was when this program was built: what it worked out is kept under this name, and read by no other. */
declare const __CORE__: string;
export const BUILD = __CORE__;
