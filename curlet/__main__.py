"""`python -m curlet`."""

import sys

from curlet.cli import main

sys.exit(main())
