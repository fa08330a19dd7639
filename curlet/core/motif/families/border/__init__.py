"""Border families. A new one is a file beside these and a line here."""

from curlet.core.motif.families.border.bands import Bands
from curlet.core.motif.families.border.checker import Checker
from curlet.core.motif.families.border.dentil import Dentil, DogTooth
from curlet.core.motif.families.border.guilloche import Guilloche
from curlet.core.motif.families.border.key import Key
from curlet.core.motif.families.border.leafstem import LeafStem
from curlet.core.motif.families.border.wave import Wave

BORDERS = {
    "key": Key,
    "wave": Wave,
    "guilloche": Guilloche,
    "leaf-stem": LeafStem,
    "checker": Checker,
    "bands": Bands,
    "dentil": Dentil,
    "dog-tooth": DogTooth,
}
