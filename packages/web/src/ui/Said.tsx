/** What is found, and below it what to do next; each figure keeps its unit beside it, however narrow the screen is. */
import { unbrokenParts } from '../text/unbrokenParts';

export function Said({ sentence, next }: { readonly sentence: string; readonly next: string | null }) {
  return (
    <>
      <Unbroken text={sentence} />{' '}
      {next && (
        <span className="block text-muted">
          <Unbroken text={next} />
        </span>
      )}
    </>
  );
}

function Unbroken({ text }: { readonly text: string }) {
  let at = 0;
  return unbrokenParts(text).map((part) => {
    const key = at;
    at += part.text.length;
    return part.isWhole ? (
      <span key={key} className="whitespace-nowrap">
        {part.text}
      </span>
    ) : (
      part.text
    );
  });
}
