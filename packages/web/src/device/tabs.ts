/** Tells the other tabs of this browser that something on the device has changed. */
const CHANNEL = 'low-quarry.device';

/** @returns tells the others, and stops listening */
export function listenToTabs(onChange: (key: string) => void): {
  readonly tell: (key: string) => void;
  readonly stop: () => void;
} {
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }) => {
    if (typeof data === 'string') onChange(data);
  };
  return { tell: (key) => channel.postMessage(key), stop: () => channel.close() };
}
