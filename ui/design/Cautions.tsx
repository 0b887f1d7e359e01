/** What could go wrong for people or parts, marked by a sign and not by colour alone; nothing where nothing could. */
export function Cautions({ texts }: { readonly texts: readonly string[] }) {
  if (texts.length === 0) return null;
  return (
    <ul className="mt-1 grid max-w-[60ch] gap-1.5">
      {texts.map((text) => (
        <li key={text} className="grid grid-cols-[1rem_1fr]">
          <span aria-hidden="true" className="font-bold text-risk">
            !
          </span>
          {text}
        </li>
      ))}
    </ul>
  );
}
