"""Why a loaf came out so: causes weighed by the faults seen and by what the bake's own record says."""
