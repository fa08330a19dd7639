/** A brush drawn straight on what shows it best, one common scale for all. */
export function Strip({ src }: { src: string }) {
  return (
    <img
      src={`${src}&line=true&background=true`}
      alt=""
      draggable={false}
      loading="lazy"
      className="block aspect-12 w-full rounded-[3px] object-cover object-left"
    />
  );
}
