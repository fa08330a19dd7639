"""Writes what can be chosen in a brush file as TypeScript, from the core's registries:
`python -m scripts.choices FILE`."""

from __future__ import annotations

import json
import sys
from pathlib import Path as FilePath

from curlet.formats.choices import choices

HEAD = "/** Made by `make build` from curlet/core: what can be chosen, and what it is called. */\n"


def main() -> None:
    text = json.dumps(choices(), indent=2, ensure_ascii=False)
    FilePath(sys.argv[1]).write_text(f"{HEAD}export const CHOICES = {text} as const;\n")


if __name__ == "__main__":
    main()
