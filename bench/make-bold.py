"""Writes resources/fonts/Fraunces_800ExtraBold.ttf, the bold of headlines in PNG and PDF, from the variable web fonts.

    python3 bench/make-bold.py      (needs fontTools and brotli: Debian's python3-fonttools and python3-brotli)

librsvg draws one weight of a file; the web fonts are one for Latin, one for its extension and one for Vietnamese.
"""

import pathlib
import tempfile

from fontTools.merge import Merger
from fontTools.ttLib import TTFont
from fontTools.varLib.instancer import instantiateVariableFont

ROOT = pathlib.Path(__file__).parent.parent
SCRIPTS = ("latin", "latin-ext", "vietnamese")
NAMES = {1: "Fraunces ExtraBold", 2: "Regular", 3: "Fraunces-ExtraBold", 4: "Fraunces ExtraBold"}
NAMES |= {6: "Fraunces-ExtraBold", 16: "Fraunces", 17: "ExtraBold"}

with tempfile.TemporaryDirectory() as folder:
    parts = []
    for script in SCRIPTS:
        source = f"node_modules/@fontsource-variable/fraunces/files/fraunces-{script}-wght-normal.woff2"
        font = instantiateVariableFont(TTFont(ROOT / source), {"wght": 800})
        font.flavor = None
        for table in ("STAT", "GDEF", "GSUB"):
            if table in font:
                del font[table]
        parts.append(f"{folder}/{script}.ttf")
        font.save(parts[-1])
    merged = Merger().merge(parts)

for number, text in NAMES.items():
    merged["name"].removeNames(nameID=number)
    merged["name"].setName(text, number, 3, 1, 0x409)
merged["OS/2"].usWeightClass = 800
merged.save(ROOT / "resources/fonts/Fraunces_800ExtraBold.ttf")
