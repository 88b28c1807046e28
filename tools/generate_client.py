"""Write the front end's typed client from the API's own description, or check that it is current.

Usage: python tools/generate_client.py [--check]
"""

from __future__ import annotations

import json
import subprocess
import sys
import tempfile
from pathlib import Path

from orthopsis.web.app import create_app

FRONTEND = Path(__file__).parents[1] / "frontend"
CLIENT = FRONTEND / "src" / "api" / "schema.d.ts"


def main() -> None:
    """Exit 1 with the remedy when the client is stale and only a check was asked for."""
    with tempfile.TemporaryDirectory() as folder:
        description = Path(folder) / "openapi.json"
        description.write_text(json.dumps(create_app().openapi(), indent=1))
        fresh = Path(folder) / "schema.d.ts"
        subprocess.run(
            ["npm", "run", "--silent", "client", "--", str(description), "-o", str(fresh)],
            cwd=FRONTEND,
            check=True,
            capture_output=True,
        )
        text = fresh.read_text()
    if "--check" not in sys.argv:
        CLIENT.write_text(text)
    elif not CLIENT.exists() or CLIENT.read_text() != text:
        sys.exit("the generated client is stale; run: python tools/generate_client.py")


if __name__ == "__main__":
    main()
