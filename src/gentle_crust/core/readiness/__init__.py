"""Is it ready? What the forecast expects, weighed with what is seen and felt."""
