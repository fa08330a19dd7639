/** One of a list: an arrow opens the list, and only what is picked there counts. */
type Props = Omit<React.SelectHTMLAttributes<HTMLSelectElement>, "onChange"> & {
  label: string;
  onPick: (value: string) => void;
};

export function Pick({ label, onPick, className = "", children, ...rest }: Props) {
  return (
    <select
      {...rest}
      aria-label={label}
      className={`cursor-pointer rounded-field border border-(--edge) bg-base-100 px-1.5 py-0.5 ${className}`}
      onChange={(event) => onPick(event.target.value)}
      onKeyDown={(event) => {
        if (event.key !== "ArrowDown" && event.key !== "ArrowUp") return;
        event.preventDefault();
        event.stopPropagation();
        event.currentTarget.showPicker();
      }}
    >
      {children}
    </select>
  );
}
