"""`python -m gentle_crust.cli`."""

import sys

from gentle_crust.cli import main

sys.exit(main())
