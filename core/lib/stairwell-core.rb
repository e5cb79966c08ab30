require_relative "stairwell"
