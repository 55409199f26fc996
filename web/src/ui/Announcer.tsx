/** Says a text to a screen reader when it changes. */
export function Announcer({ text }: { text: string }) {
  return (
    <div className="unseen" role="status" aria-live="polite">
      {text}
    </div>
  );
}
