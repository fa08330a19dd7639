/** The page light or dark: as the system is until somebody chooses, then as it was chosen in this browser. */
import { create } from "zustand";

const KEPT = "curlet-theme";
type Theme = "paper" | "lamp";

const root = document.documentElement;
const system = window.matchMedia("(prefers-color-scheme: dark)");

/** Set at the first paint by theme.js. */
export const useTheme = create<{ theme: Theme }>(() => ({ theme: root.dataset.theme === "lamp" ? "lamp" : "paper" }));

function show(theme: Theme) {
  root.dataset.theme = theme;
  useTheme.setState({ theme });
}

export function chooseTheme(theme: Theme) {
  localStorage.setItem(KEPT, theme);
  show(theme);
}

export const turnTheme = () => chooseTheme(useTheme.getState().theme === "lamp" ? "paper" : "lamp");

system.addEventListener("change", (event) => {
  if (!localStorage.getItem(KEPT)) show(event.matches ? "lamp" : "paper");
});
