/** A brush drawn straight, one common scale for all. */
export function Strip({ src }: { src: string }) {
  return (
    <img
      src={src}
      alt=""
      draggable={false}
      className="my-0.5 block max-h-[52px] min-h-[15px] w-full rounded-[3px] bg-(--cloth) object-cover object-left"
    />
  );
}
